/** The ledger of one week: what it owes, how its sessions share it, and what it leaves behind. */

import { approachFor, columnOf } from "../approach";
import { type Athlete, type DatedWindow, hasAbsence, type Label, type StrengthLog, safetyGate } from "../athlete";
import type { SessionDose } from "../dose";
import type { Library } from "../exercise";
import {
  type Counted,
  closeWeek,
  type Deal,
  deal,
  isLedgerPattern,
  type Leads,
  type LedgerLine,
  type LedgerPattern,
  type LedgerState,
  NO_LEDGER,
  owedIn,
  setsByPattern,
} from "../ledger";
import { flatMap } from "../lists";
import { numbers, type Why } from "../rulebook";
import { holdInVisits, inWeek, type SeasonDay, type SeasonWeek } from "../season";
import { leadSlots, SHORT_MINUTES } from "../session";
import { TOLERANCE } from "../units";

/** What a week's ledger is made from. */
export interface LedgerInput {
  athlete: Athlete;
  library: Library;
  week: SeasonWeek;
  state: LedgerState;
  /** Lifted this week already. */
  log: readonly StrengthLog[];
  labels: readonly Label[];
  /** Free time slots on days that count. */
  slots: readonly DatedWindow[];
  /** Doses of a day, whoever asks for them. */
  doseOn: (day: SeasonDay) => SessionDose;
}

export interface WeekLedger {
  /** By pattern, as the week cuts them. */
  lines: readonly LedgerLine[];
  /** Lifted this week already, by pattern. */
  done: Readonly<Record<LedgerPattern, number>>;
  /** What is to be planned of it, before the week's cuts. */
  open: readonly LedgerLine[];
  /** The same where the week owes more, since time is left; null for whoever takes no more than the usual. */
  more: Pick<WeekLedger, "lines" | "open"> | null;
  deal: Deal;
  leads: ReadonlyMap<Label, Leads>;
  shortLead: ReadonlyMap<Label, LedgerPattern>;
  /** Why each session has one lead, whatever its minutes; null where the minutes decide. */
  oneLead: Why | null;
  weekLeads: number;
  weekUnits: number;
}

/** Phase and emphasis whose sets are carried together. */
const buildsOf = (week: SeasonWeek): string => `${week.phase}/${week.emphasis}`;

/** Nothing cuts the week: what a cut, a race or an absence takes away is never owed. */
const isOrdinary = (athlete: Athlete, week: SeasonWeek): boolean =>
  week.setFactor >= 1 &&
  !week.mileage.holdOnly &&
  week.emphasis !== "restore" &&
  week.days.every((d) => d.loading === "full") &&
  !hasAbsence(athlete, week.start);

/** A window is a ceiling, never a target: the trained alone take more where it leaves time, in weeks that build (rule ledger.fill). */
const takesMore = (athlete: Athlete, week: SeasonWeek): boolean =>
  week.emphasis !== "hold" && isOrdinary(athlete, week) && safetyGate(athlete, week.start).training === "trained";

/** @param scale share of the sets that stays, or how many times they are owed */
function linesOf(athlete: Athlete, week: SeasonWeek, state: LedgerState, scale: number): LedgerLine[] {
  const { sport, bodyMassKg } = athlete.athlete;
  const pack = Math.max(0, ...athlete.endurance.filter((e) => inWeek(week, e.date)).map((e) => e.packKg ?? 0));
  const builds = week.phase === "base" || week.phase === "build";
  return owedIn(
    {
      sport,
      emphasis: week.emphasis,
      control: builds && approachFor(athlete, week.phase).build === "ladders",
      ascentM: week.figures.ascentM,
      packPct: bodyMassKg > 0 ? (pack / bodyMassKg) * 100 : 0,
      scale,
    },
    buildsOf(week),
    state,
  );
}

/** Logged work as it is counted; what the library no longer knows counts nothing. */
export const liftedSets = (log: readonly StrengthLog[], library: Library) =>
  log.flatMap((s) =>
    s.items.flatMap((i) => {
      const exercise = library.byId(i.exercise);
      return exercise ? [{ exercise, sets: i.sets.length }] : [];
    }),
  );

/** Leads of a week of short sessions, by label: three hold a squat, a hinge and a split squat. */
const SHARED_LEADS: Readonly<Partial<Record<Label, LedgerPattern>>> = { A: "squat", B: "hinge", C: "split-squat" };
/** What a short session beside whole ones may lead with: its own leads first, then what a short A may have left out. */
const SHORT_LEADS: Readonly<Partial<Record<Label, readonly LedgerPattern[]>>> = {
  A: ["squat", "hinge"],
  B: ["split-squat", "hinge"],
  C: ["split-squat", "hip"],
};

/** The pattern that is owed most of its week, the earlier of equals. */
function mostOwed(of: readonly LedgerPattern[], lines: readonly LedgerLine[]): LedgerPattern | undefined {
  const share = (p: LedgerPattern) => {
    const line = lines.find((l) => l.pattern === p);
    return line && line.weekly > 0 ? line.owed / line.weekly : 0;
  };
  return of.reduce<LedgerPattern | undefined>(
    (best, p) => (best === undefined || share(p) > share(best) + TOLERANCE ? p : best),
    undefined,
  );
}

/** The first counting day, whose doses say how many sets the leads take. */
const firstDay = (week: SeasonWeek): SeasonDay | undefined =>
  week.days.find((d) => d.counts && d.loading === "full") ?? week.days.find((d) => d.counts);

export function ledgerOf(input: LedgerInput): WeekLedger {
  const { athlete, library, week, state, labels, slots, doseOn } = input;
  const lines = linesOf(athlete, week, state, week.setFactor);
  const done = setsByPattern(liftedSets(input.log, library));
  const day = firstDay(week);
  const { build } = approachFor(athlete, week.phase);
  const dose = day ? doseOn(day) : null;
  const point = Math.max(0, (week.block?.week ?? 1) - 1);
  const setsOf = (pattern: LedgerPattern): number => {
    const { loaded } = dose?.cells[columnOf(pattern, true)] ?? { loaded: [] };
    return loaded[Math.min(point, loaded.length - 1)]?.sets ?? 0;
  };
  const allShort = slots.length > 0 && slots.every((w) => w.minutes <= SHORT_MINUTES);
  const days = new Set(slots.map((w) => w.date)).size;
  const oneLead = day && labels.length > 1 && days > 1 ? holdInVisits(athlete, day) : null;
  const shortLead = shortLeads(labels, lines, allShort || oneLead !== null);
  const leads = new Map(
    labels.map((label): [Label, Leads] => {
      const lead = shortLead.get(label);
      if ((allShort || oneLead) && lead) return [label, [{ pattern: lead, sets: setsOf(lead) }]];
      return [
        label,
        flatMap(leadSlots(label, build), (s) =>
          isLedgerPattern(s.pattern) ? [{ pattern: s.pattern, sets: s.sets ?? setsOf(s.pattern) }] : [],
        ),
      ];
    }),
  );
  // A week that cuts its sets is dealt out whole: its sessions are cut as they stand.
  const openOf = (of: readonly LedgerLine[]) => of.map((l) => ({ ...l, owed: Math.max(0, l.owed - done[l.pattern]) }));
  const whole = openOf(week.setFactor === 1 ? lines : linesOf(athlete, week, state, 1));
  const more = takesMore(athlete, week) ? linesOf(athlete, week, state, numbers("ledger.fill").more) : null;
  const dealt = deal(whole, leads);
  const sum = (of: Iterable<readonly { sets: number }[]>): number => [...of].flat().reduce((a, u) => a + u.sets, 0);
  const loaded = [...leads.values()].map((l) => l.filter((x) => x.pattern !== "hip"));
  return {
    lines,
    done,
    open: whole,
    more: more && { lines: more, open: openOf(more) },
    deal: dealt,
    leads,
    shortLead,
    oneLead,
    weekLeads: sum(loaded),
    weekUnits: sum(dealt.values()),
  };
}

/** @param all every session has one lead: then the leads are shared out, else the most owed of its own leads a short session */
function shortLeads(labels: readonly Label[], lines: readonly LedgerLine[], all: boolean): Map<Label, LedgerPattern> {
  const out = new Map<Label, LedgerPattern>();
  for (const label of labels) {
    const shared = all && labels.length > 1;
    const lead = shared ? SHARED_LEADS[label] : mostOwed(SHORT_LEADS[label] ?? [], lines);
    if (lead) out.set(label, lead);
  }
  return out;
}

/** What the week leaves behind, planned or lifted. */
export function ledgerAfter(
  athlete: Athlete,
  week: SeasonWeek,
  state: LedgerState,
  ledger: Pick<WeekLedger, "lines">,
  items: readonly Counted[],
): LedgerState {
  return closeWeek(state, { builds: buildsOf(week), lines: ledger.lines, items, ordinary: isOrdinary(athlete, week) });
}

/** What a week that is over owed: of who takes more, more where more than the usual was lifted. */
function owedBefore(athlete: Athlete, week: SeasonWeek, state: LedgerState, items: readonly Counted[]): LedgerLine[] {
  const usual = linesOf(athlete, week, state, week.setFactor);
  const sum = (sets: readonly number[]): number => sets.reduce((a, n) => a + n, 0);
  const tookMore = sum(Object.values(setsByPattern(items))) > sum(usual.map((l) => l.owed));
  return tookMore && takesMore(athlete, week) ? linesOf(athlete, week, state, numbers("ledger.fill").more) : usual;
}

/** The ledger as the weeks before left it: those in which nothing was logged say nothing. */
export function ledgerBefore(
  athlete: Athlete,
  season: readonly SeasonWeek[],
  first: number,
  log: readonly StrengthLog[],
  library: Library,
): LedgerState {
  let state = NO_LEDGER;
  for (const week of season.slice(Math.max(0, first - numbers("ledger.owed").weeksBack), first)) {
    const lifted = log.filter((s) => inWeek(week, s.date));
    if (lifted.length === 0) continue;
    const items = liftedSets(lifted, library);
    state = ledgerAfter(athlete, week, state, { lines: owedBefore(athlete, week, state, items) }, items);
  }
  return state;
}
