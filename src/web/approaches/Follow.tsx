/** What one athlete follows: the approach, its exceptions by phase, and the rules of the phases that act. */
import type { Dispatch, SetStateAction } from "react";
import { useState } from "react";
import type { FollowBody } from "../../api/requests";
import type { ApproachView, FollowView } from "../../api/views";
import { PHASES, type Phase } from "../../core/athlete";
import { RULES, SWITCHES } from "../../core/rulebook";
import { PHASE_NAMES } from "../format";
import { STRATA } from "../section/patterns";

interface Props {
  name: string;
  view: FollowView;
  approaches: readonly ApproachView[];
  onPreview: (body: FollowBody) => void;
  onClubRules: (rulesOff: string[]) => void;
}

export function Follow({ name, view, approaches, onPreview, onClubRules }: Props) {
  const [approach, setApproach] = useState(view.approach);
  const [byPhase, setByPhase] = useState(view.approachByPhase);
  const [off, setOff] = useState(view.rulesOff);
  const [club, setClub] = useState(view.clubRulesOff);
  const changed =
    approach !== view.approach ||
    JSON.stringify(byPhase) !== JSON.stringify(view.approachByPhase) ||
    JSON.stringify([...off].sort()) !== JSON.stringify([...view.rulesOff].sort());
  const clubChanged = JSON.stringify([...club].sort()) !== JSON.stringify([...view.clubRulesOff].sort());
  const options = approaches.map((v) => (
    <option key={v.approach.id} value={v.approach.id}>
      {v.approach.name}
    </option>
  ));
  const toggle = (list: string[], id: string) => (list.includes(id) ? list.filter((x) => x !== id) : [...list, id]);
  return (
    <div className="@container min-h-0 flex-1 overflow-auto px-4 pb-4">
      <div className="grid grid-cols-[320px_minmax(0,1fr)] gap-6 @max-[760px]:grid-cols-1">
        <section>
          <h2 className="sec-h pt-3">Approach</h2>
          <label className="block text-label font-medium" htmlFor="follow-all">
            {name} follows
          </label>
          <select id="follow-all" className="input mb-3" value={approach} onChange={(e) => setApproach(e.target.value)}>
            {options}
          </select>
          <p className="mb-1 text-label text-ink2">Another in one phase:</p>
          {PHASES.map((p: Phase) => (
            <div key={p} className="mb-1.5 flex items-center gap-2">
              <label htmlFor={`follow-${p}`} className="flex w-[92px] items-center gap-1.5 text-label font-medium">
                <i className="sw" style={{ background: STRATA[p].tint }} /> {PHASE_NAMES[p]}
              </label>
              <select
                id={`follow-${p}`}
                className="input h-7 text-label"
                value={byPhase[p] ?? ""}
                onChange={(e) =>
                  setByPhase((b) => {
                    const { [p]: _, ...rest } = b;
                    return e.target.value === "" ? rest : { ...rest, [p]: e.target.value };
                  })
                }
              >
                <option value="">as above</option>
                {options}
              </select>
            </div>
          ))}
          <button
            type="button"
            className="btn btn-pri mt-3"
            disabled={!changed}
            onClick={() => onPreview({ approach, approachByPhase: byPhase, rulesOff: off })}
          >
            See what changes
          </button>
          {!changed && <p className="mt-1 text-label text-ink2">Nothing is changed yet.</p>}
        </section>
        <section>
          <h2 className="sec-h pt-3">
            Rules of the phases
            <span className="font-normal">what must hold, clearance, pain and age cannot be switched off</span>
          </h2>
          <RulesTable name={name} club={club} off={off} setOff={setOff} toggle={toggle} setClub={setClub} />
          <button type="button" className="btn mt-3" disabled={!clubChanged} onClick={() => onClubRules(club)}>
            Change the rules of all athletes
          </button>
        </section>
      </div>
    </div>
  );
}

interface RulesTableProps {
  name: string;
  club: string[];
  off: string[];
  setOff: Dispatch<SetStateAction<string[]>>;
  toggle: (list: string[], id: string) => string[];
  setClub: Dispatch<SetStateAction<string[]>>;
}

function RulesTable({ name, club, off, setOff, toggle, setClub }: RulesTableProps) {
  return (
    <table className="w-full border-collapse text-label leading-4">
      <thead>
        <tr className="h-6 text-left text-ink2 shadow-[inset_0_-1.500px_0_var(--color-ground)]">
          <th className="font-semibold">Rule</th>
          <th className="font-semibold">What it does</th>
          <th className="w-[72px] font-semibold">{name.split(" ")[0]}</th>
          <th className="w-[72px] font-semibold">All</th>
        </tr>
      </thead>
      <tbody>
        {SWITCHES.map((s) => {
          const all = !club.includes(s.id);
          return (
            <tr key={s.id} className="border-b border-hair2">
              <td className="py-1.5 pr-3 font-semibold">
                {RULES[s.id]?.title}
                <span className="block font-normal text-ink2">
                  {s.id} ·{" "}
                  {RULES[s.id]?.trust === "pub"
                    ? "published"
                    : RULES[s.id]?.trust === "trade"
                      ? "common practice"
                      : "our assumption"}
                </span>
              </td>
              <td className="pr-3">{s.does}</td>
              <td>
                <label className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    aria-label={`${RULES[s.id]?.title} for ${name}`}
                    checked={all && !off.includes(s.id)}
                    disabled={!all}
                    onChange={() => setOff((o) => toggle(o, s.id))}
                  />
                  {all ? (off.includes(s.id) ? "off" : "on") : "off"}
                </label>
              </td>
              <td>
                <label className="flex items-center gap-1.5">
                  <input
                    type="checkbox"
                    aria-label={`${RULES[s.id]?.title} for all athletes`}
                    checked={all}
                    onChange={() => setClub((o) => toggle(o, s.id))}
                  />
                  {all ? "on" : "off"}
                </label>
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}
