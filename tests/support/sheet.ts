/** Everything of a planned session that a coach would call a change, as one text. */
import type { SeasonView, SessionView } from "../../src/api/views";

const sheetText = (s: SessionView): string =>
  JSON.stringify([
    s.start,
    s.place,
    s.minutes,
    s.items.map((i) => [
      i.pair,
      i.exercise,
      i.sets,
      i.repsLow,
      i.reps,
      i.seconds,
      i.loadKg,
      i.rir,
      i.restSeconds,
      i.tempo,
    ]),
  ]);

/** Every session still ahead, by day and letter. @param read asks the interface */
export async function sheetsOf(id: string, read: <T>(path: string) => Promise<T>): Promise<Map<string, string>> {
  const season = await read<SeasonView>(`/athletes/${id}/season`);
  const out = new Map<string, string>();
  for (const a of season.weeks.flatMap((w) => w.sessions.filter((x) => !x.done)))
    out.set(
      `${a.date}/${a.label}`,
      sheetText(await read<SessionView>(`/athletes/${id}/sessions/${a.date}/${a.label}`)),
    );
  return out;
}
