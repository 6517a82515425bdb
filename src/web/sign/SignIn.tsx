/** Signing in; joining with a code, which is also the way back in; and the first account of a new club. */
import { useMutation, useQueryClient } from "@tanstack/react-query";
import { type ReactNode, useState } from "react";
import { useForm } from "react-hook-form";
import { joinBody, ownerBody, signInBody } from "../../api/requests";
import type { CodesView, PasskeyOptionsView } from "../../api/views";
import { ask, ProblemError } from "../data/api";
import { afterSignIn } from "../data/session";
import { bodyResolver, Field, FormProblem, placeFaults } from "../ui/form";
import { Mark } from "../ui/glyphs";
import { Codes } from "./Codes";
import { PasswordField } from "./PasswordField";
import { whyNoPasskeysHere } from "./passkeysHere";

interface Props {
  first: boolean;
  mayStayOpen: boolean;
}

/** Fields as high as a thumb. */
const LARGE = "input min-h-11";

type Way = "in" | "code" | "first";

/** Name and code of an invitation stand behind the "#" of its address, which no server is sent. */
function invited(): { name: string; code: string } | null {
  if (location.pathname !== "/join") return null;
  const of = new URLSearchParams(location.hash.slice(1));
  return { name: of.get("name") ?? "", code: of.get("code") ?? "" };
}

export default function SignIn({ first, mayStayOpen }: Props) {
  const client = useQueryClient();
  const [way, setWay] = useState<Way>(first ? "first" : invited() ? "code" : "in");
  const [codes, setCodes] = useState<string[] | null>(null);
  const enter = () => {
    // The way in is no view: the application begins anew behind it, and the code is gone from the address.
    if (location.pathname === "/join") location.replace("/");
    else if (first) location.reload();
    else void afterSignIn(client);
  };
  const done = (answer: unknown) => {
    const made = (answer as CodesView | null)?.codes;
    if (made) setCodes(made);
    else enter();
  };
  return (
    <main className="fixed inset-0 z-30 grid place-items-center overflow-auto bg-paper p-4">
      <div className="w-[min(420px,100%)] rounded-[3px] border border-hair bg-panel p-6">
        <p className="mb-4 flex items-center gap-3 text-lead font-[650]">
          <Mark /> Field Anchor
        </p>
        {codes ? (
          <Codes codes={codes} onDone={enter} />
        ) : way === "first" ? (
          <First mayStayOpen={mayStayOpen} onDone={done} />
        ) : way === "code" ? (
          <Join start={invited()} onDone={done} onBack={() => setWay("in")} />
        ) : (
          <ByPassword onDone={done} onCode={() => setWay("code")} />
        )}
      </div>
    </main>
  );
}

/** That name and password do not belong together is no fault of one field. */
const problemIn = (error: Error | null, place: (error: Error) => string): string =>
  error === null ? "" : error instanceof ProblemError && error.problem.status === 401 ? error.message : place(error);

const useSend = (path: string, onDone: (answer: unknown) => void) =>
  useMutation({ mutationFn: (body: unknown) => ask<CodesView | null>(path, body), onSuccess: onDone });

async function byPasskey(): Promise<unknown> {
  const { startAuthentication } = await import("@simplewebauthn/browser");
  const { key, options } = await ask<PasskeyOptionsView>("/session/passkey/options", {});
  return ask("/session/passkey", { key, response: await startAuthentication({ optionsJSON: options as never }) });
}

function ByPassword({ onDone, onCode }: { onDone: (answer: unknown) => void; onCode: () => void }) {
  const key = useMutation({ mutationFn: byPasskey, onSuccess: onDone });
  const send = useSend("/session", onDone);
  const form = useForm({
    defaultValues: { name: "", password: "" },
    resolver: bodyResolver((f: { name: string; password: string }) => f, signInBody),
  });
  return (
    <Lines
      title="Sign in"
      problem={problemIn(send.error, (e) => placeFaults(e, ["name"], form.setError))}
      onSubmit={form.handleSubmit((f) => send.mutate(f))}
    >
      <Field label="Name" id="name" error={form.formState.errors.name?.message}>
        <input id="name" className={LARGE} autoComplete="username" {...form.register("name")} />
      </Field>
      <PasswordField
        id="password"
        label="Password"
        error={form.formState.errors.password?.message}
        field={form.register("password")}
        className={LARGE}
      />
      <Submit busy={send.isPending}>Sign in</Submit>
      {whyNoPasskeysHere() === null && (
        <button
          type="button"
          className="btn min-h-11 justify-center"
          disabled={key.isPending}
          onClick={() => key.mutate()}
        >
          Sign in with a passkey
        </button>
      )}
      {key.error && (
        <p role="alert" className="text-brick-ink">
          {key.error.message}
        </p>
      )}
      <button type="button" className="link min-h-11 text-left" onClick={onCode}>
        I have a code
      </button>
    </Lines>
  );
}

interface JoinProps {
  start: { name: string; code: string } | null;
  onDone: (answer: unknown) => void;
  onBack: () => void;
}

function Join({ start, onDone, onBack }: JoinProps) {
  const send = useSend("/session/recover", onDone);
  const form = useForm({
    defaultValues: { name: start?.name ?? "", code: start?.code ?? "", password: "" },
    resolver: bodyResolver((f: { name: string; code: string; password: string }) => f, joinBody),
  });
  const { errors } = form.formState;
  return (
    <Lines
      title={start ? "Welcome" : "Use a code"}
      says="A code stands for the password once: of an invitation, or one that you wrote down. Choose a password of your own."
      problem={problemIn(send.error, (e) => placeFaults(e, ["name", "code", "password"], form.setError))}
      onSubmit={form.handleSubmit((f) => send.mutate(f))}
    >
      <Field label="Name" id="name" error={errors.name?.message}>
        <input id="name" className={LARGE} autoComplete="username" {...form.register("name")} />
      </Field>
      <Field label="Code" id="code" error={errors.code?.message}>
        <input id="code" className="input num min-h-11" autoComplete="one-time-code" {...form.register("code")} />
      </Field>
      <PasswordField
        id="password"
        label="Password"
        fresh
        error={errors.password?.message}
        field={form.register("password")}
        className={LARGE}
      />
      <Submit busy={send.isPending}>Go on</Submit>
      <button type="button" className="link min-h-11 text-left" onClick={onBack}>
        Sign in with a password
      </button>
    </Lines>
  );
}

function First({ mayStayOpen, onDone }: { mayStayOpen: boolean; onDone: (answer: unknown) => void }) {
  const send = useSend("/session/owner", onDone);
  const form = useForm({
    defaultValues: { name: "", shown: "", password: "" },
    resolver: bodyResolver((f: { name: string; shown: string; password: string }) => f, ownerBody.options[0]),
  });
  const { errors } = form.formState;
  return (
    <Lines
      title="The first account"
      says="It is the owner's: the club, its coaches and its backups. What is in the club stays as it is."
      problem={problemIn(send.error, (e) => placeFaults(e, ["name", "shown", "password"], form.setError))}
      onSubmit={form.handleSubmit((f) => send.mutate(f))}
    >
      <Field label="Your name" id="shown" error={errors.shown?.message}>
        <input id="shown" className={LARGE} autoComplete="name" {...form.register("shown")} />
      </Field>
      <Field label="Name to sign in with" id="name" error={errors.name?.message}>
        <input id="name" className={LARGE} autoComplete="username" {...form.register("name")} />
      </Field>
      <PasswordField
        id="password"
        label="Password"
        fresh
        error={errors.password?.message}
        field={form.register("password")}
        className={LARGE}
      />
      <Submit busy={send.isPending}>Make the account</Submit>
      {mayStayOpen && (
        <div className="border-t border-hair2 pt-3">
          <p className="mb-2 text-label leading-4 text-ink2">
            Nobody but this machine reaches this server. Where you alone use it, nobody need be asked; an account can be
            made later, under Accounts.
          </p>
          <button
            type="button"
            className="btn min-h-11"
            disabled={send.isPending}
            onClick={() => send.mutate({ signIn: false })}
          >
            Only on this machine, no sign-in
          </button>
        </div>
      )}
    </Lines>
  );
}

interface LinesProps {
  title: string;
  says?: string;
  problem: string;
  onSubmit: () => void;
  children: ReactNode;
}

const Lines = ({ title, says, problem, onSubmit, children }: LinesProps) => (
  <form
    className="flex flex-col gap-3"
    onSubmit={(e) => {
      e.preventDefault();
      onSubmit();
    }}
  >
    <h1 className="text-title font-semibold">{title}</h1>
    {says && <p className="text-ink2">{says}</p>}
    <FormProblem text={problem} />
    {children}
  </form>
);

const Submit = ({ busy, children }: { busy: boolean; children: ReactNode }) => (
  <button type="submit" className="btn btn-pri min-h-11 justify-center" disabled={busy}>
    {busy ? "One moment…" : children}
  </button>
);
