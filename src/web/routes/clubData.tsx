/** Club data: whether everything is saved, the backups, taking one, putting one back. */
import { useEffect, useState } from "react";
import type { BackupView, ClubDataView, RestorePreviewView } from "../../api/views";
import { MINUTES_A_DAY } from "../../core/dates";
import { useClubData, useRestore, useRestorePreview, useTakeBackup } from "../data/club";
import { useClub } from "../data/hooks";
import { dayAndYear } from "../format";
import { FormProblem } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { Sheet } from "../ui/Sheet";
import { Failed, LoadingNote } from "../ui/State";
import { tell, tellFault } from "../ui/tell";

const KINDS: Record<BackupView["kind"], string> = {
  daily: "daily",
  asked: "taken by hand",
  "before-migration": "before an update",
  "before-restore": "before a restore",
};

/** A moment in this machine's own time. */
const moment = (iso: string): string => {
  const d = new Date(iso);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${dayAndYear(`${d.getFullYear()}-${two(d.getMonth() + 1)}-${two(d.getDate())}`)}, ${two(d.getHours())}:${two(d.getMinutes())}`;
};

/** "12 minutes ago", "3 hours ago", "2 days ago". */
export function ageOf(iso: string, now: number): string {
  const minutes = Math.max(0, Math.round((now - Date.parse(iso)) / 60_000));
  const of = (n: number, unit: string) => `${n} ${unit}${n === 1 ? "" : "s"} ago`;
  if (minutes < 1) return "just now";
  if (minutes < 60) return of(minutes, "minute");
  return minutes < 48 * 60 ? of(Math.round(minutes / 60), "hour") : of(Math.round(minutes / MINUTES_A_DAY), "day");
}

const size = (bytes: number): string =>
  bytes < 1e6 ? `${Math.ceil(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`;

/** A backup older than this is said to be old, hours. */
const OLD_HOURS = 36;

export default function ClubDataRoute() {
  const data = useClubData();
  useEffect(() => {
    document.title = "Club data, Field Anchor";
  }, []);
  if (data.isPending) return <LoadingNote what="the club's data" />;
  if (data.isError) return <Failed error={data.error} retry={() => data.refetch()} what="The club's data" />;
  return <ClubData view={data.data} />;
}

function ClubData({ view }: { view: ClubDataView }) {
  const club = useClub();
  const take = useTakeBackup();
  const [restoring, setRestoring] = useState<BackupView | null>(null);
  const [last] = view.backups;
  const old = last !== undefined && Date.now() - Date.parse(last.made) > OLD_HOURS * 3_600_000;
  return (
    <main className="h-full overflow-auto px-6 py-4 max-[700px]:px-4">
      <div className="max-w-[860px]">
        <h1 className="text-title font-semibold">Club data{club.data ? ` of ${club.data.name}` : ""}</h1>
        <dl className="mt-3 grid grid-cols-[160px_minmax(0,1fr)] gap-y-1.5">
          <dt className="text-ink2">Changes</dt>
          <dd>{view.storage ? <b className="text-brick-ink">{view.storage.text}</b> : "are being saved."}</dd>
          <dt className="text-ink2">Last good backup</dt>
          <dd>
            {last ? (
              <span className={old ? "font-semibold text-brick-ink" : ""}>
                {ageOf(last.made, Date.now())} ({moment(last.made)}), read again and counted after it was written
              </span>
            ) : (
              "none yet: the first is taken once there is an athlete."
            )}
          </dd>
          <dt className="text-ink2">Folder</dt>
          <dd className="break-all">{view.folder}</dd>
        </dl>
        {view.fault && <FormProblem text={`The last backup was not made: ${view.fault}`} />}
        <div className="mt-3 flex flex-wrap items-center gap-2">
          <button
            type="button"
            className="btn btn-pri"
            disabled={take.isPending}
            onClick={() =>
              take.mutate(undefined, {
                onSuccess: () => tell("Backup taken and checked."),
                onError: (e) => tellFault(e.message),
              })
            }
          >
            {take.isPending ? "Taking a backup…" : "Take a backup now"}
          </button>
          <span className="text-label text-ink2">
            One is taken every day and before every update; the newest fourteen are kept. Keep a copy on another
            machine, too.
          </span>
        </div>
        {view.backups.length > 0 && (
          <table className="mt-4 w-full border-collapse text-left">
            <caption className="sr-only">Backups, newest first</caption>
            <thead>
              <tr className="border-b border-ground text-label text-ink2">
                <th className="py-1 pr-3 font-semibold">Taken</th>
                <th className="not-phone py-1 pr-3 font-semibold">Kind</th>
                <th className="not-phone py-1 pr-3 text-right font-semibold">Athletes</th>
                <th className="py-1 pr-3 text-right font-semibold">Size</th>
                <th className="py-1 font-semibold">
                  <span className="sr-only">What can be done with it</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {view.backups.map((b) => (
                <tr key={b.name} className="border-b border-hair2">
                  <td className="py-1.5 pr-3 sm:whitespace-nowrap">{moment(b.made)}</td>
                  <td className="not-phone py-1.5 pr-3">{KINDS[b.kind]}</td>
                  <td className="not-phone num py-1.5 pr-3 text-right">{b.athletes}</td>
                  <td className="num py-1.5 pr-3 text-right whitespace-nowrap">{size(b.bytes)}</td>
                  <td className="py-1">
                    <span className="flex flex-wrap justify-end gap-2">
                      <a className="btn btn-sm" href={`/api/club/backups/${b.name}`} download={b.name}>
                        {ICON.down} Download
                      </a>
                      {view.restores && (
                        <button type="button" className="btn btn-sm" onClick={() => setRestoring(b)}>
                          Restore…
                        </button>
                      )}
                    </span>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        )}
        <p className="mt-4 text-label leading-4 text-ink2">
          {view.restores ? (
            <>
              From the command line: <code>npm run backup -- FILE</code> and <code>npm run restore -- FILE</code>, with
              the application running or not. A backup can be restored on another machine and by a newer version.
            </>
          ) : (
            "This club is one of many on a database server. Whoever runs the server restores a backup as a club of its own, beside this one."
          )}
        </p>
      </div>
      {restoring && <RestoreSheet backup={restoring} onClose={() => setRestoring(null)} />}
    </main>
  );
}

type Fate = RestorePreviewView["athletes"][number]["fate"];
const FATES: readonly { fate: Fate; says: string }[] = [
  { fate: "goes", says: "not in the backup: goes" },
  { fate: "changed", says: "as it was then" },
  { fate: "comes back", says: "comes back" },
  { fate: "stays erased", says: "was erased: stays erased" },
];

function RestoreSheet({ backup, onClose }: { backup: BackupView; onClose: () => void }) {
  const preview = useRestorePreview(backup.name);
  const restore = useRestore();
  const put = () =>
    restore.mutate(backup.name, {
      onSuccess: ({ safety }) => {
        tell(safety ? "Restored. What was here before is among the backups." : "Restored.");
        onClose();
      },
    });
  return (
    <Sheet open onClose={onClose} title={`Restore the club as of ${moment(backup.made)}?`} width={560}>
      {preview.isPending ? (
        <p role="status">Comparing the backup with what is here…</p>
      ) : preview.isError ? (
        <FormProblem text={preview.error.message} />
      ) : (
        <Differences view={preview.data} />
      )}
      <p className="mt-3 text-label leading-4 text-ink2">
        Everything in the backup takes the place of everything here: athletes, logs, plans, notes, approaches,
        exercises, settings. Before that, what is here is kept as a backup of its own, so that it can be put back.
      </p>
      <FormProblem text={restore.error?.message ?? ""} />
      <div className="mt-4 flex justify-end gap-2">
        <button type="button" className="btn" onClick={onClose}>
          Leave it as it is
        </button>
        <button type="button" className="btn btn-pri" disabled={!preview.isSuccess || restore.isPending} onClick={put}>
          {restore.isPending ? "Restoring…" : "Restore"}
        </button>
      </div>
    </Sheet>
  );
}

function Differences({ view }: { view: RestorePreviewView }) {
  const same = view.athletes.filter((a) => a.fate === "same").length;
  const rows = FATES.flatMap(({ fate, says }) =>
    view.athletes.filter((a) => a.fate === fate).map((a) => ({ ...a, says })),
  );
  const athletes = (n: number) => `${n} ${n === 1 ? "athlete" : "athletes"}`;
  return (
    <>
      <p>
        {rows.length === 0
          ? `All ${athletes(same)} are the same in it.`
          : `${athletes(rows.length)} would differ, ${same} stay as they are.`}
      </p>
      {rows.length > 0 && (
        <table className="mt-2 w-full">
          <thead>
            <tr className="text-left text-label text-ink2">
              <th className="font-semibold">Athlete</th>
              <th className="font-semibold">With the restore</th>
            </tr>
          </thead>
          <tbody>
            {rows.map((r) => (
              <tr key={r.id} className="border-t border-hair2">
                <td className="py-1 pr-3">{r.name}</td>
                <td className="py-1">{r.says}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </>
  );
}
