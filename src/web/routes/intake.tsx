/** Intake: the talk with an athlete in steps, each saved as it is changed; a new athlete is made after the first. */
import { useEffect, useState } from "react";
import { Link, Navigate, useNavigate, useParams } from "react-router";
import { factsBody } from "../../api/requests";
import type { IntakeView } from "../../api/views";
import type { Athlete } from "../../core/athlete";
import { addDays, mondayOf } from "../../core/dates";
import { type Fault, faultsOf } from "../../formats/fault";
import { ProblemError } from "../data/api";
import { useClub, useImport } from "../data/hooks";
import { useIntake } from "../data/intake";
import { AthleteStep, EMPTY_FACTS, type FactsForm, factsForm, factsOf } from "../intake/AthleteStep";
import { EnduranceStep } from "../intake/EnduranceStep";
import { HealthStep } from "../intake/HealthStep";
import { PlacesStep } from "../intake/PlacesStep";
import { PlanStep } from "../intake/PlanStep";
import { RacesStep } from "../intake/RacesStep";
import { StartStep } from "../intake/StartStep";
import { STEPS, type StepId } from "../intake/steps";
import { draftOf, keepDraft, useStep } from "../intake/useStep";
import { WeekStep } from "../intake/WeekStep";
import { FormProblem } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { Failed, LoadingNote } from "../ui/State";

export default function IntakeRoute() {
  const { id, step } = useParams();
  if (!id) return <NewAthlete />;
  const at = STEPS.find((s) => s.id === step);
  return at ? <One key={id} id={id} step={at.id} /> : <Navigate to={`/a/${id}/intake/athlete`} replace />;
}

/** Steps on the left, the step in the middle, back and next at the foot. */
function Shell({
  title,
  id,
  step,
  children,
  onNext,
  busy = false,
}: {
  title: string;
  id: string | null;
  step: StepId;
  children: React.ReactNode;
  /** Instead of walking on to the next step. */
  onNext?: () => void;
  busy?: boolean;
}) {
  const navigate = useNavigate();
  const at = STEPS.findIndex((s) => s.id === step);
  const next = STEPS[at + 1];
  const before = STEPS[at - 1];
  return (
    <main className="grid h-full grid-cols-[200px_minmax(0,1fr)] grid-rows-[52px_minmax(0,1fr)_56px] max-[700px]:grid-cols-[minmax(0,1fr)] max-[700px]:grid-rows-[52px_auto_minmax(0,1fr)_64px]">
      <div className="col-span-full flex items-center gap-2 pr-3 pl-4">
        <h1 className="truncate text-title leading-6 font-[650]">{title}</h1>
        <span className="ml-1 text-ink2 max-[700px]:hidden">
          Saved as you type. The plan is made from these answers.
        </span>
      </div>
      <nav
        aria-label="Steps of the intake"
        className="overflow-auto border-r border-hair pt-1 max-[700px]:flex max-[700px]:border-r-0 max-[700px]:border-b"
      >
        {STEPS.map((s, i) =>
          id === null && i > 0 ? (
            <span key={s.id} className="block px-4 py-2 text-ink2 max-[700px]:px-3">
              {i + 1}. {s.name}
            </span>
          ) : (
            <Link
              key={s.id}
              to={id === null ? "/new" : `/a/${id}/intake/${s.id}`}
              aria-current={s.id === step ? "step" : undefined}
              className={`block px-4 py-2 whitespace-nowrap max-[700px]:px-3 ${s.id === step ? "bg-iron-l font-semibold text-iron shadow-[inset_3px_0_0_var(--color-iron)]" : "hover:bg-panel"}`}
            >
              {i + 1}. {s.name}
              <span className="block text-label leading-4 font-normal text-ink2 max-[700px]:hidden">{s.says}</span>
            </Link>
          ),
        )}
      </nav>
      <div className="overflow-auto px-6 py-3 max-[700px]:px-4">{children}</div>
      <div className="col-start-2 flex items-center gap-2 border-t border-hair bg-panel px-6 max-[700px]:col-start-1 max-[700px]:px-4">
        {before && id !== null && (
          <Link className="btn" to={`/a/${id}/intake/${before.id}`}>
            {ICON.left} {before.name}
          </Link>
        )}
        <span className="flex-1" />
        {next && (
          <button
            type="button"
            className="btn btn-pri"
            disabled={busy}
            onClick={onNext ?? (() => navigate(`/a/${id}/intake/${next.id}`))}
          >
            {busy ? "Saving…" : id === null ? "Create athlete" : `Next: ${next.name.toLowerCase()}`} {ICON.right}
          </button>
        )}
      </div>
    </main>
  );
}

const NEW_DRAFT = "field-anchor:intake:new";
/** Weeks of a new season, to be changed in the next step. */
const SEASON_WEEKS = 26;

function blankAthlete(facts: Athlete["athlete"], today: string): Athlete {
  const start = mondayOf(today);
  return {
    format: "field-anchor/athlete",
    version: 1,
    athlete: facts,
    settings: { approach: "layered", placement: "stack" },
    season: { start, end: addDays(start, SEASON_WEEKS * 7 - 1) },
    // Until the questions are answered the careful reading holds.
    health: { clearanceNeeded: true, areas: [] },
    places: [],
    availability: [],
    away: [],
    screening: [],
    seen: [],
    races: [],
    endurance: [],
    strengthLog: [],
  };
}

function NewAthlete() {
  const club = useClub();
  const make = useImport();
  const navigate = useNavigate();
  const [form, setForm] = useState<FactsForm>(() => draftOf<FactsForm>(NEW_DRAFT) ?? EMPTY_FACTS);
  const [faults, setFaults] = useState<Fault[]>([]);
  const [problem, setProblem] = useState("");
  useEffect(() => document.getElementById("f-name")?.focus(), []);
  const set = (next: FactsForm) => {
    setForm(next);
    keepDraft(NEW_DRAFT, next);
    if (faults.length > 0) setFaults(faultsIn(next));
  };
  const create = () => {
    const found = faultsIn(form);
    setFaults(found);
    if (found.length > 0 || !club.data) return;
    const facts = factsBody.parse(factsOf(form)) as Athlete["athlete"];
    make.mutate(JSON.stringify(blankAthlete(facts, club.data.today)), {
      onSuccess: ({ id }) => {
        localStorage.removeItem(NEW_DRAFT);
        navigate(`/a/${id}/intake/plan`, { replace: true });
      },
      onError: (e) =>
        setProblem(
          e instanceof ProblemError && e.problem.faults.length > 0
            ? e.problem.faults.map((f) => `${f.path}: ${f.expected}`).join("; ")
            : e.message,
        ),
    });
  };
  return (
    <Shell title="New athlete" id={null} step="athlete" onNext={create} busy={make.isPending}>
      <FormProblem text={problem} />
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          create();
        }}
      >
        <AthleteStep form={form} set={set} faults={faults} />
        <button type="submit" className="sr-only" tabIndex={-1}>
          Create athlete
        </button>
      </form>
    </Shell>
  );
}

/** Faults of the facts, with the paths that the step looks for. */
function faultsIn(form: FactsForm): Fault[] {
  const facts = factsOf(form);
  const checked = factsBody.safeParse(facts);
  return checked.success ? [] : faultsOf(checked.error, facts).map((f) => ({ ...f, path: `facts.${f.path}` }));
}

function One({ id, step }: { id: string; step: StepId }) {
  const intake = useIntake(id);
  useEffect(() => {
    document.title = "Intake, Field Anchor";
  }, []);
  if (intake.isPending) return <LoadingNote what="the intake" />;
  if (intake.isError) return <Failed error={intake.error} retry={() => intake.refetch()} what="The intake" />;
  const view = intake.data;
  return (
    <Shell title={`Intake of ${view.facts.name}`} id={id} step={step}>
      {step === "athlete" && <Facts key={id} view={view} />}
      {step === "plan" && <PlanStep key={id} view={view} />}
      {step === "health" && <HealthStep key={id} view={view} />}
      {step === "places" && <PlacesStep key={id} view={view} />}
      {step === "week" && <WeekStep key={id} view={view} />}
      {step === "endurance" && <EnduranceStep key={id} view={view} />}
      {step === "races" && <RacesStep key={id} view={view} />}
      {step === "start" && <StartStep key={id} view={view} />}
    </Shell>
  );
}

function Facts({ view }: { view: IntakeView }) {
  const [known] = useState(view.facts);
  const [toBody] = useState(() => (f: FactsForm) => ({ facts: factsOf(f, known) }));
  const step = useStep<FactsForm>(view.id, "athlete", factsForm(view.facts), toBody);
  return (
    <>
      <FormProblem text={step.problem} />
      <AthleteStep form={step.value} set={step.set} faults={step.faults} />
    </>
  );
}
