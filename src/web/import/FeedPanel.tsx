/** The training log an athlete's devices write to: linked, pulled, and what came; imports with their undo. */
import { useState } from "react";
import type { FeedView, ImportCounts } from "../../api/views";
import { useFeed, useLinkFeed, usePull, useUndoImport } from "../data/imports";
import { day, duration, SPORT_NAMES } from "../format";
import { ICON, WarnIcon } from "../ui/glyphs";
import { tell, tellFault, tellUndo } from "../ui/tell";
import { FATE_WORDS } from "./rows";

/** "3 new, 2 done, 1 changed" */
export function countWords(c: ImportCounts): string {
  const parts = [
    c.added ? `${c.added} new` : "",
    c.done ? `${c.done} done as planned` : "",
    c.changed ? `${c.changed} changed` : "",
    c.known ? `${c.known} known already` : "",
  ].filter(Boolean);
  return parts.join(", ") || "nothing new";
}

const when = (iso: string): string => {
  const at = new Date(iso);
  const two = (n: number) => String(n).padStart(2, "0");
  return `${at.getFullYear()}-${two(at.getMonth() + 1)}-${two(at.getDate())} ${two(at.getHours())}:${two(at.getMinutes())}`;
};

export function FeedPanel({ id }: { id: string }) {
  const feed = useFeed(id);
  if (!feed.data) return null;
  return (
    <>
      <Link id={id} feed={feed.data} />
      <Came id={id} feed={feed.data} />
    </>
  );
}

function Link({ id, feed }: { id: string; feed: FeedView }) {
  const pull = usePull(id);
  const link = useLinkFeed(id);
  const [account, setAccount] = useState("");
  if (!feed.there)
    return (
      <div className="sec">
        <h2 className="sec-h">Training log</h2>
        <p className="text-label leading-4 text-ink2">
          None is set up on this server. Whoever runs it names one with FIELD_ANCHOR_FEED.
        </p>
      </div>
    );
  return (
    <div className="sec">
      <h2 className="sec-h">Training log</h2>
      {feed.account === null ? (
        <form
          className="flex gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            if (account.trim()) link.mutate(account.trim());
          }}
        >
          <input
            className="input"
            aria-label="Account at the training log"
            placeholder="account"
            value={account}
            onChange={(e) => setAccount(e.target.value)}
          />
          <button type="submit" className="btn" disabled={account.trim() === "" || link.isPending}>
            Link
          </button>
        </form>
      ) : (
        <>
          <p className="text-label leading-5">
            Linked to <b>{feed.account}</b>
            <br />
            <span className="text-ink2">{feed.checkedAt ? `last asked ${when(feed.checkedAt)}` : "not asked yet"}</span>
          </p>
          {feed.fault && (
            <p className="mt-1 flex gap-1.5 text-label leading-4 text-brick-ink">
              <WarnIcon /> {feed.fault} It is asked again by itself.
            </p>
          )}
          <div className="mt-2 flex gap-2">
            <button
              type="button"
              className="btn btn-pri"
              disabled={pull.isPending}
              onClick={() =>
                pull.mutate(undefined, {
                  onSuccess: (c) => tell(`Training log: ${countWords(c)}.`),
                  onError: (e) => tellFault(e.message),
                })
              }
            >
              {ICON.down} {pull.isPending ? "Asking…" : "Pull now"}
            </button>
            <button
              type="button"
              className="btn"
              onClick={() => {
                const was = feed.account;
                link.mutate(null, {
                  onSuccess: () => tellUndo("Link ended; what came stays.", () => link.mutate(was)),
                });
              }}
            >
              End link
            </button>
          </div>
        </>
      )}
    </div>
  );
}

function Came({ id, feed }: { id: string; feed: FeedView }) {
  const undo = useUndoImport(id);
  return (
    <div className="sec flex-1">
      <h2 className="sec-h">What came</h2>
      {feed.imports.length === 0 ? (
        <p className="text-label leading-4 text-ink2">Nothing was imported yet.</p>
      ) : (
        <ul>
          {feed.imports.map((i) => (
            <li key={i.id} className="flex items-start gap-2 border-t border-hair2 py-1.5 first:border-t-0">
              <span className="min-w-0 flex-1 text-label leading-4">
                <b className="block truncate font-semibold" title={i.name}>
                  {i.name}
                </b>
                <span className="text-ink2">
                  {when(i.at)}: {countWords(i.counts)}
                </span>
                {i.lines.map((l) => (
                  <span key={`${l.date}${l.sport}${l.minutes}`} className="block text-ink2">
                    {day(l.date)} {SPORT_NAMES[l.sport].toLowerCase()}
                    {l.minutes === null ? " race" : `, ${duration(l.minutes)}`}: {FATE_WORDS[l.fate]}
                  </span>
                ))}
              </span>
              <button
                type="button"
                className="btn btn-sm"
                aria-label={`Undo the import of ${i.name}, ${when(i.at)}`}
                disabled={undo.isPending}
                onClick={() => undo.mutate(i.id, { onSuccess: () => tell(`${i.name} taken back.`) })}
              >
                Undo
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}
