/** What was lifted, exercise by exercise; left and right; pain. */
import { day } from "../web/format";
import { Card, Head } from "./Shell";
import { usePhone } from "./usePhone";

export default function LiftsView() {
  const { screen } = usePhone();
  if (!screen) return null;
  const hurt = screen.lifts
    .flatMap((l) => l.times.filter((t) => (t.pain ?? 0) > 0).map((t) => ({ ...t, name: l.name })))
    .sort((a, b) => (a.date < b.date ? 1 : -1));
  return (
    <main>
      <Head title="Lifts" note={`${screen.lifts.length} exercises logged, the latest first`} />
      <div className="space-y-3 p-4">
        {screen.lifts.length === 0 && <p className="text-ink2">Nothing is logged yet. What you lift is listed here.</p>}
        {screen.lifts.map((l) => (
          <details key={l.exercise} className="rounded-[3px] border border-hair bg-panel px-3.5">
            <summary className="flex min-h-12 cursor-pointer items-center justify-between gap-3 py-2">
              <b className="min-w-0 font-semibold">{l.name}</b>
              <span className="num flex-none text-right text-body text-ink2">
                {l.times[0]?.text}
                <br />
                {l.times[0] && day(l.times[0].date)}
              </span>
            </summary>
            <ul className="pb-2">
              {l.times.map((t) => (
                <li key={t.date} className="flex justify-between gap-3 border-t border-hair2 py-1.5 text-body">
                  <span>{day(t.date)}</span>
                  <span className="num">
                    {t.text}
                    {t.pain ? `, pain ${t.pain}` : ""}
                  </span>
                </li>
              ))}
            </ul>
          </details>
        ))}
        {screen.sides.length > 0 && (
          <Card title="Left and right, at the last test">
            <ul>
              {screen.sides.map((s) => (
                <li key={s.test} className="flex justify-between gap-3 border-t border-hair2 py-1.5 first:border-t-0">
                  <span>{s.test}</span>
                  <span className="num text-body text-ink2">
                    {s.left} | {s.right} {s.unit}, {day(s.date)}
                  </span>
                </li>
              ))}
            </ul>
          </Card>
        )}
        {hurt.length > 0 && (
          <Card title="Pain that was logged">
            <ul>
              {hurt.map((t) => (
                <li
                  key={`${t.date}${t.name}`}
                  className="flex justify-between gap-3 border-t border-hair2 py-1.5 first:border-t-0"
                >
                  <span>{t.name}</span>
                  <span className="num text-body text-ink2">
                    {t.pain} of 10, {day(t.date)}
                  </span>
                </li>
              ))}
            </ul>
          </Card>
        )}
      </div>
    </main>
  );
}
