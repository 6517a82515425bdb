/** Accounts: one's own, its browsers and password; for owners those of the club, invited, changed, closed. */
import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { ROLE_SAYS, ROLE_WORDS } from "../../api/roleWords";
import type { AccountView, SessionStateView } from "../../api/views";
import { useAccounts } from "../data/accounts";
import { ask, del } from "../data/api";
import { useSquad } from "../data/hooks";
import { afterSignIn, useMay, useSignedIn } from "../data/session";
import { AccountSheet } from "../sign/AccountSheet";
import { Devices } from "../sign/Devices";
import { Passkeys } from "../sign/Passkeys";
import { PasswordForm } from "../sign/PasswordForm";
import { ICON } from "../ui/glyphs";
import { PageHeader } from "../ui/page";
import { Failed, LoadingNote } from "../ui/State";
import { tellFault } from "../ui/tell";

export default function AccountsRoute() {
  const session = useSignedIn();
  if (session.isPending) return <LoadingNote what="the accounts" />;
  if (session.isError) return <Failed error={session.error} retry={() => session.refetch()} what="The accounts" />;
  return <Accounts state={session.data} />;
}

function Accounts({ state }: { state: SessionStateView }) {
  const client = useQueryClient();
  const may = useMay();
  const { account, mode } = state;
  const leave = () =>
    del("/session").then(
      () => afterSignIn(client),
      (e: Error) => tellFault(e.message),
    );
  return (
    <main className="flex h-full min-w-0 flex-col">
      <PageHeader
        title="Accounts"
        note={account ? `${account.shown}, ${ROLE_WORDS[account.role].toLowerCase()}` : "nobody is asked"}
      >
        <span className="flex-1" />
        {account && (
          <button type="button" className="btn" onClick={leave}>
            Sign out
          </button>
        )}
      </PageHeader>
      <div
        // biome-ignore lint/a11y/noNoninteractiveTabindex: what scrolls must be reached by the keyboard
        tabIndex={0}
        className="min-h-0 flex-1 overflow-auto px-4 pb-6"
      >
        {mode === "open" && (
          <p role="note" className="mb-4 max-w-[72ch] border-l-[3px] border-iron bg-iron-l px-3 py-2">
            Nobody is asked who they are: this server answers to this machine alone.{" "}
            {account
              ? "You are signed in all the same, and see what this account sees."
              : "What is done here is done as an owner."}
          </p>
        )}
        <div className="grid grid-cols-[minmax(0,1fr)_340px] gap-8 max-[1023px]:grid-cols-1">
          {may("accounts") ? (
            <Club tryPassword={state.tryPassword} />
          ) : (
            <p className="text-ink2">{account ? ROLE_SAYS[account.role] : ""}</p>
          )}
          {account && (
            <aside className="space-y-6" aria-label="Your account">
              <Devices />
              <Passkeys />
              <PasswordForm />
            </aside>
          )}
        </div>
      </div>
    </main>
  );
}

/** The accounts of the club. */
function Club({ tryPassword }: { tryPassword: string | null }) {
  const client = useQueryClient();
  const accounts = useAccounts(true);
  const squad = useSquad();
  const rows = squad.data?.rows ?? [];
  const [open, setOpen] = useState<AccountView | "new" | null>(null);
  // Athletes are assigned from the whole list, or not at all.
  if (accounts.isPending || squad.isPending) return <LoadingNote what="the accounts" />;
  if (accounts.isError) return <Failed error={accounts.error} retry={() => accounts.refetch()} what="The accounts" />;
  const names = (a: AccountView): string =>
    a.athletes === "all"
      ? "every athlete"
      : a.athletes.map((id) => rows.find((r) => r.id === id)?.name ?? "").join(", ") || "no athlete";
  return (
    <section aria-label="Accounts of the club">
      <table className="w-full text-left">
        <thead>
          <tr className="border-b-[1.5px] border-ground text-label text-ink2">
            <th className="py-1.5 font-semibold">Who</th>
            <th className="font-semibold">Role</th>
            <th className="font-semibold max-[700px]:hidden">Athletes</th>
            <th className="font-semibold">
              <span className="sr-only">Change</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {accounts.data.map((a) => (
            <tr key={a.id} className="border-b border-hair align-top">
              <td className="py-2">
                <span className="font-semibold">{a.shown}</span>
                <span className="block text-label text-ink2">
                  {a.name}
                  {a.closed ? ", closed" : a.joined ? "" : ", invited"}
                </span>
              </td>
              <td className="py-2">{ROLE_WORDS[a.role]}</td>
              <td className="py-2 text-label max-[700px]:hidden">
                {a.role === "assistant" ? "every athlete, no health" : names(a)}
              </td>
              <td className="py-2 text-right">
                {tryPassword !== null && (
                  <button
                    type="button"
                    className="btn btn-sm mr-1"
                    onClick={() =>
                      ask("/session", { name: a.name, password: tryPassword }).then(
                        () => afterSignIn(client),
                        (e: Error) => tellFault(e.message),
                      )
                    }
                  >
                    See as {a.shown.split(" ")[0]}
                  </button>
                )}
                <button type="button" className="btn btn-sm" onClick={() => setOpen(a)}>
                  Change
                </button>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
      {accounts.data.length === 0 && (
        <p className="my-3 max-w-[64ch] text-ink2">
          No account yet. The first one is an owner's: it is made when the server is started without
          FIELD_ANCHOR_ACCOUNTS=open.
        </p>
      )}
      <button type="button" className="btn btn-pri mt-3" onClick={() => setOpen("new")}>
        {ICON.plus} Invite
      </button>
      {open && <AccountSheet account={open === "new" ? null : open} rows={rows} onClose={() => setOpen(null)} />}
    </section>
  );
}
