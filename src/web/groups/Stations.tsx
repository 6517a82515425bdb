/** Stations of the hour: each kind of work with what every member does there, and the step easier or harder that is open to them. */
import type { GroupMemberView, GroupSessionView, StationWork } from "../../api/many";
import { loadText, type Units } from "../format";
import { PATTERN_NAMES } from "../library/words";

export function Stations({ view }: { view: GroupSessionView }) {
  if (view.stations.length === 0) return null;
  const members = view.members.filter((m) => m.start !== null);
  return (
    <section aria-label="Stations" className="mt-5">
      <h2 className="sec-h">Stations</h2>
      <section
        aria-label="Work of each member"
        // biome-ignore lint/a11y/noNoninteractiveTabindex: a table that scrolls must be reached by the keyboard
        tabIndex={0}
        className="overflow-x-auto"
      >
        <table className="w-full min-w-[720px] table-fixed border-collapse text-left">
          <thead>
            <tr className="h-7 text-label text-ink2 shadow-[inset_0_-1px_0_var(--color-ground)]">
              <th className="w-[108px] font-semibold">Work</th>
              {members.map((m) => (
                <th key={m.id} className="font-semibold">
                  {m.name}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {view.stations.map(({ pattern, work }) => (
              <tr key={pattern} className="border-b border-hair align-top">
                <th className="py-2 pr-2 font-semibold">{PATTERN_NAMES[pattern]}</th>
                {members.map((m) => (
                  <td key={m.id} className="py-2 pr-3">
                    {work
                      .find((w) => w.member === m.id)
                      ?.items.map((i) => <Work key={i.exercise} work={i} member={m} />) ?? (
                      <span className="text-ink2">–</span>
                    )}
                  </td>
                ))}
              </tr>
            ))}
          </tbody>
        </table>
      </section>
    </section>
  );
}

function Work({ work: w, member }: { work: StationWork; member: GroupMemberView }) {
  const units: Units = { massUnit: member.massUnit, distanceUnit: "km" };
  const amount = w.seconds === null ? `${w.reps ?? ""}` : `${w.seconds} s`;
  const load = w.loadKg === null ? "" : `, ${loadText({ ...w, household: null }, units)}`;
  const steps = [w.easier && `easier: ${w.easier}`, w.harder && `harder: ${w.harder}`].filter(Boolean);
  return (
    <div className="pb-1 last:pb-0">
      <p className="leading-[18px] font-medium">{w.name}</p>
      <p className="leading-[18px]">
        {w.sets} x {amount}
        {w.eachSide ? " each side" : ""}
        {load}
      </p>
      {steps.length > 0 && <p className="text-label leading-4 text-ink2">{steps.join("; ")}</p>}
    </div>
  );
}
