/** An account: invited with a code, changed, closed, taken away. */
import { useState } from "react";
import type { AccountBody } from "../../api/requests";
import { ROLES, type Role } from "../../api/roles";
import { ROLE_SAYS, ROLE_WORDS } from "../../api/roleWords";
import type { AccountView, SquadRow } from "../../api/views";
import { useChangeAccount, useInvite, useNewInvitation, useRemoveAccount } from "../data/accounts";
import { ProblemError } from "../data/api";
import { Field, FormActions, FormProblem, Tick } from "../ui/form";
import { Sheet } from "../ui/Sheet";
import { tell, tellFault } from "../ui/tell";

interface Props {
  account: AccountView | null;
  rows: readonly SquadRow[];
  onClose: () => void;
}

const listed = (athletes: AccountView["athletes"]): AccountBody["athletes"] =>
  athletes === "all" ? "all" : [...athletes];

const problemText = (e: Error | null): string =>
  e instanceof ProblemError && e.problem.faults[0]
    ? e.problem.faults.map((f) => f.expected).join("; ")
    : (e?.message ?? "");

export function AccountSheet({ account, rows, onClose }: Props) {
  const [shown, setShown] = useState(account?.shown ?? "");
  const [name, setName] = useState(account?.name ?? "");
  const [role, setRole] = useState<Role>(account?.role ?? "coach");
  const [athletes, setAthletes] = useState<AccountBody["athletes"]>(listed(account?.athletes ?? "all"));
  const [code, setCode] = useState<string | null>(null);
  const invite = useInvite();
  const change = useChangeAccount();
  const remove = useRemoveAccount();
  const again = useNewInvitation();
  const closed = (e: Error) => tellFault(problemText(e));
  if (code !== null) return <Invitation name={name} code={code} onClose={onClose} />;
  const save = () => {
    if (account)
      change.mutate(
        { id: account.id, role, athletes, closed: account.closed },
        {
          onSuccess: () => {
            tell("The account is changed; whoever was signed in with it signs in again.");
            onClose();
          },
        },
      );
    else invite.mutate({ name, shown, role, athletes }, { onSuccess: (made) => setCode(made.code) });
  };
  return (
    <Sheet open onClose={onClose} title={account ? account.shown : "Invite"}>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          save();
        }}
      >
        <FormProblem text={problemText(invite.error ?? change.error)} />
        {!account && (
          <div className="grid grid-cols-2 gap-3">
            <Field label="Their name" id="account-shown">
              <input id="account-shown" className="input" value={shown} onChange={(e) => setShown(e.target.value)} />
            </Field>
            <Field label="Name to sign in with" id="account-name">
              <input id="account-name" className="input" value={name} onChange={(e) => setName(e.target.value)} />
            </Field>
          </div>
        )}
        <Field label="Role" id="account-role">
          <select
            id="account-role"
            className="input"
            value={role}
            onChange={(e) => {
              const next = e.target.value as Role;
              setRole(next);
              setAthletes(next === "athlete" ? (rows[0] ? [rows[0].id] : []) : "all");
            }}
          >
            {ROLES.map((r) => (
              <option key={r} value={r}>
                {ROLE_WORDS[r]}
              </option>
            ))}
          </select>
          <p className="mt-1 text-label leading-4 text-ink2">{ROLE_SAYS[role]}</p>
        </Field>
        {role === "athlete" && (
          <Field label="Athlete" id="account-athlete">
            <select
              id="account-athlete"
              className="input"
              value={athletes === "all" ? "" : athletes[0]}
              onChange={(e) => setAthletes([e.target.value])}
            >
              {rows.map((r) => (
                <option key={r.id} value={r.id}>
                  {r.name}
                </option>
              ))}
            </select>
          </Field>
        )}
        {role === "coach" && <Assigned rows={rows} athletes={athletes} onChange={setAthletes} />}
        <FormActions
          save={account ? "Save" : "Invite"}
          saving={invite.isPending || change.isPending}
          onRemove={
            account
              ? () =>
                  remove.mutate(account.id, {
                    onSuccess: () => {
                      tell(`${account.shown} is removed.`);
                      onClose();
                    },
                    onError: closed,
                  })
              : null
          }
          removing={remove.isPending}
        />
        {account && (
          <More
            account={account}
            onCode={() => again.mutate(account.id, { onSuccess: (made) => setCode(made.code), onError: closed })}
            onClose={() =>
              change.mutate(
                { id: account.id, role, athletes, closed: !account.closed },
                { onSuccess: onClose, onError: closed },
              )
            }
          />
        )}
      </form>
    </Sheet>
  );
}

/** A code for a lost password; shutting the account, and opening it again. */
const More = ({ account, onCode, onClose }: { account: AccountView; onCode: () => void; onClose: () => void }) => (
  <div className="flex gap-2 border-t border-hair2 pt-3">
    <button type="button" className="btn" onClick={onCode}>
      New code
    </button>
    <button type="button" className="btn" onClick={onClose}>
      {account.closed ? "Open again" : "Close"}
    </button>
  </div>
);

interface AssignedProps {
  rows: readonly SquadRow[];
  athletes: AccountBody["athletes"];
  onChange: (athletes: AccountBody["athletes"]) => void;
}

function Assigned({ rows, athletes, onChange }: AssignedProps) {
  const has = (id: string) => athletes === "all" || athletes.includes(id);
  return (
    <fieldset>
      <legend className="mb-1 text-label font-medium">Athletes</legend>
      <Tick checked={athletes === "all"} onChange={(all) => onChange(all ? "all" : rows.map((r) => r.id))}>
        Every athlete, those to come too
      </Tick>
      {athletes !== "all" && (
        <div className="mt-1 grid grid-cols-2 gap-1">
          {rows.map((r) => (
            <Tick
              key={r.id}
              checked={has(r.id)}
              onChange={(on) => onChange(on ? [...athletes, r.id] : athletes.filter((x) => x !== r.id))}
            >
              {r.name}
            </Tick>
          ))}
        </div>
      )}
    </fieldset>
  );
}

/** The way in, to be handed over: shown once. */
function Invitation({ name, code, onClose }: { name: string; code: string; onClose: () => void }) {
  const link = `${location.origin}/join#name=${encodeURIComponent(name)}&code=${code}`;
  return (
    <Sheet open onClose={onClose} title="Hand this over">
      <p className="mb-3">For {name}, once, within seven days. It is shown now and never again.</p>
      <output aria-label="Code" className="num mb-2 block text-title font-semibold">
        {code}
      </output>
      <p className="mb-3 break-all rounded-[3px] border border-hair bg-surface p-2 text-label">{link}</p>
      <div className="flex gap-2">
        <button
          type="button"
          className="btn btn-pri"
          onClick={() =>
            navigator.clipboard.writeText(link).then(
              () => tell("Copied."),
              () => tellFault("The browser would not copy: select the link and copy it by hand."),
            )
          }
        >
          Copy the link
        </button>
        <button type="button" className="btn" onClick={onClose}>
          Done
        </button>
      </div>
    </Sheet>
  );
}
