/** One trouble area: its five stages as stations on a line, what is open, what the next stage needs, pain day by day, who confirmed what. */
import type { AthleteHealthView, HealthAreaView, WayBackView } from "../../api/views";
import { day, dayAndYear } from "../format";
import { ICON, WarnIcon } from "../ui/glyphs";
import { PainStrip } from "./PainStrip";

interface Props {
  area: HealthAreaView;
  stages: AthleteHealthView["stages"];
  today: string;
  onStep: () => void;
}

export function AreaCard({ area, stages, today, onStep }: Props) {
  const { way } = area;
  if (!way) return null;
  return (
    <section
      aria-label={`${area.name}, ${area.side}`}
      className="rounded-[3px] border border-hair bg-panel p-4 print:mb-4 print:break-inside-avoid print:border-ink"
    >
      <div className="flex flex-wrap items-baseline gap-x-2">
        <h2 className="text-lead leading-6 font-[650] first-letter:uppercase">{area.name}</h2>
        <span className="text-ink2">
          {area.side}, {area.status}
          {area.since ? ` since ${dayAndYear(area.since)}` : ""}
        </span>
      </div>
      <Stations stages={stages} at={way.stage} />
      {way.lowered && (
        <p className="mt-2 flex gap-1.5 text-brick-ink">
          <WarnIcon /> {way.lowered}
        </p>
      )}
      <div className="mt-2 grid grid-cols-2 gap-x-6 gap-y-3 @max-[620px]:grid-cols-1">
        <Open way={way} />
        <Next way={way} onStep={onStep} />
      </div>
      <PainStrip pain={area.pain} today={today} />
      <Steps area={area} />
    </section>
  );
}

/** The five stages; the one that holds is filled and named. */
function Stations({ stages, at }: { stages: AthleteHealthView["stages"]; at: WayBackView["stage"] }) {
  const here = stages.findIndex((s) => s.stage === at);
  return (
    <ol className="mt-2 grid grid-cols-5 text-label leading-4" aria-label="Stages">
      {stages.map((s, i) => (
        <li key={s.stage} aria-current={i === here ? "step" : undefined} className="min-w-0 pr-2">
          <span aria-hidden="true" className="mb-1 flex items-center">
            <span
              className={`h-3 w-3 flex-none rounded-full border-2 ${i <= here ? "border-iron" : "border-edge"} ${i === here ? "bg-iron" : i < here ? "bg-iron-l" : "bg-paper"}`}
            />
            {i < stages.length - 1 && <span className={`h-0.5 flex-1 ${i < here ? "bg-iron" : "bg-hair"}`} />}
          </span>
          <span className={i === here ? "font-semibold" : "text-ink2"}>
            <span className="block first-letter:uppercase">{s.stage}</span>
            <span className="block @max-[620px]:hidden">{s.says}</span>
          </span>
        </li>
      ))}
    </ol>
  );
}

function Open({ way }: { way: WayBackView }) {
  return (
    <div>
      <h3 className="font-semibold">What the plan does</h3>
      <p>{way.says}</p>
      {way.work.length > 0 && (
        <p className="mt-1">
          In every session: <b className="font-semibold">{way.work.join("; ")}</b>
        </p>
      )}
      {way.bare.length > 0 && (
        <p className="mt-1 text-label leading-4 text-ink2">Without load: {way.bare.join("; ").toLowerCase()}</p>
      )}
      {way.closed.length > 0 && (
        <p className="mt-1 text-label leading-4 text-ink2">Left out: {way.closed.join("; ").toLowerCase()}</p>
      )}
      <p className="mt-1 text-label leading-4">
        <b className="font-semibold">Watch for:</b> {way.watch}
      </p>
    </div>
  );
}

function Next({ way, onStep }: { way: WayBackView; onStep: () => void }) {
  if (way.stage === "back")
    return (
      <div>
        <h3 className="font-semibold">Back</h3>
        <p>
          Watched until {way.watchedUntil ? day(way.watchedUntil) : ""}. Pain that rises over three sessions takes the
          area back a stage.
        </p>
        <StepButton onStep={onStep} words="Back to an earlier stage" main={false} />
      </div>
    );
  return (
    <div>
      <h3 className="font-semibold">
        {way.days >= 0 && `Day ${way.days} of at least ${way.least}`}, then {way.next}
      </h3>
      {way.ready ? (
        <p className="flex items-center gap-1.5 [&>svg]:h-4 [&>svg]:w-4 [&>svg]:fill-none [&>svg]:stroke-current">
          {ICON.check} The sign of this stage is there: {way.next} can be confirmed.
        </p>
      ) : (
        <>
          <p>Still needed:</p>
          <ul className="list-disc pl-5">
            {way.missing.map((m) => (
              <li key={m}>{m}</li>
            ))}
          </ul>
        </>
      )}
      {way.overdue && !way.ready && (
        <p className="mt-1 text-brick-ink">Longer than planned: go on, stay with a reason, or refer.</p>
      )}
      <p className="mt-1 text-label leading-4 text-ink2">
        {way.next === "back" ? "Then" : "Opens then"}: {way.opens}
      </p>
      <StepButton onStep={onStep} words={way.ready ? `Confirm ${way.next}` : "Change the stage"} main={way.ready} />
    </div>
  );
}

const StepButton = ({ onStep, words, main }: { onStep: () => void; words: string; main: boolean }) => (
  <button type="button" className={`btn mt-2 print:hidden ${main ? "btn-pri" : ""}`} onClick={onStep}>
    {words}
  </button>
);

/** Who confirmed what, and when. */
function Steps({ area }: { area: HealthAreaView }) {
  if (area.steps.length === 0)
    return <p className="mt-3 text-label leading-4 text-ink2">No stage was confirmed yet: it stands at settle.</p>;
  return (
    <ol className="mt-3 text-label leading-5" aria-label="Confirmed stages">
      {area.steps.map((s) => (
        <li key={s.date} className="border-t border-hair2 py-1">
          <b className="font-semibold first-letter:uppercase">{s.stage}</b> from {dayAndYear(s.date)}, confirmed by{" "}
          {s.by}
          {s.clinician ? ` with ${s.clinician}` : ""}
          {s.limits ? `. Limits: ${s.limits}` : ""}
        </li>
      ))}
    </ol>
  );
}
