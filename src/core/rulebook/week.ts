/** Placing the week's sessions: what must hold, and what costs points where it is not kept. */
import { eg, HOUSE, num, pub, rule, TRADE, table } from "./rule";

const DOMA = pub("Doma et al. 2017, Sports Med 47:2187-2200: heavy legs spoil running for 24 to 48 h");
const ROBINEAU = pub(
  "Robineau et al. 2016, J Strength Cond Res 30(3):672-683: 6 h or more between strength and endurance",
);

/** Points have a sheet of their own, where the coach sets them. */
const points = (value: number) => num(value, "points", HOUSE, "at full severity");

export const WEEK = {
  M1: rule({
    title: "Inside a free time slot, with the equipment and the time",
    kind: "must",
    ...TRADE,
    parameters: {
      shortest: num(20, "minutes", TRADE, "under which no strength session stands", {
        least: 20,
        most: 40,
        tighter: "higher",
      }),
      half: num(35, "minutes", TRADE, "up to which the short session is taken"),
      grid: num(15, "minutes", HOUSE, "between two hours at which a session may begin"),
    },
    examples: [
      eg({ minutes: 19 }, null),
      eg({ minutes: 20 }, "short"),
      eg({ minutes: 35 }, "short"),
      eg({ minutes: 36 }, "whole"),
    ],
  }),
  M2: rule({
    title: "Race day and the blocked days around it",
    kind: "must",
    ...TRADE,
    says: {
      raceDay: (race: string) => `${race}: nothing but mobility on a race day.`,
      before: (v: { days: number; race: string }) =>
        `${v.days === 1 ? "The day" : `${v.days} days`} before ${v.race}: nothing loaded after the last light session.`,
      ahead: (v: { race: string; today: boolean }) =>
        `${v.race} is ${v.today ? "today" : "tomorrow"}: nothing but mobility.`,
    },
    examples: [eg({ out: 0 }, "mobility"), eg({ out: 3 }, "mobility"), eg({ out: 4 }, "light")],
  }),
  M3: rule({
    title: "24 h between loaded lower-body sessions",
    kind: "must",
    ...TRADE,
    parameters: { hours: num(24, "hours", TRADE, "from start to start", { least: 24, most: 72, tighter: "higher" }) },
    examples: [eg({ hours: 24 }, false), eg({ hours: 23.9 }, true)],
  }),
  M4: rule({
    title: "No overlap with endurance, 3 h from leg-heavy work",
    kind: "must",
    ...TRADE,
    parameters: {
      hours: num(3, "hours", TRADE, "between leg-heavy endurance and loaded lower-body work, either way round", {
        least: 3,
        most: 24,
        tighter: "higher",
      }),
      onFoot: num(60, "minutes on foot", TRADE, "above which a session is leg-heavy"),
    },
    examples: [
      eg({ hoursAfter: 3 }, false),
      eg({ hoursAfter: 2.9 }, true),
      eg({ hoursAfter: 2.9, minutesOnFoot: 60 }, false),
    ],
  }),
  M5: rule({ title: "Nothing that the trouble areas forbid", kind: "must", ...TRADE }),
  M6: rule({ title: "A locked session stays", kind: "must", ...TRADE }),
  M7: rule({
    title: "No jumps within 24 h after hard or long work, or on tired legs",
    kind: "must",
    ...HOUSE,
    parameters: {
      hours: num(24, "hours", HOUSE, "after the end of a hard or long session", {
        least: 24,
        most: 72,
        tighter: "higher",
      }),
    },
    examples: [eg({ hoursAfter: 24 }, false), eg({ hoursAfter: 23.9 }, true)],
  }),
  S1: rule({
    title: "48 h between heavy lower sessions",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(12), hours: num(48, "hours", TRADE, "from start to start", { least: 24, most: 96 }) },
    examples: [eg({ hours: 48 }, 0), eg({ hours: 47 }, 6), eg({ hours: 24 }, 12)],
  }),
  S2: rule({
    title: "Heavy legs before a key session",
    kind: "cost",
    ...DOMA,
    parameters: {
      points: points(10),
      beforeKey: num(24, "hours", TRADE, "before a key session", { least: 12, most: 72 }),
      beforeLong: num(36, "hours", TRADE, "before the long session", { least: 12, most: 72 }),
    },
    examples: [
      eg({ hours: 24, kind: "intervals" }, 0),
      eg({ hours: 23, kind: "intervals" }, 10),
      eg({ hours: 36, kind: "long" }, 0),
      eg({ hours: 35, kind: "long" }, 10),
    ],
  }),
  S3: rule({
    title: "Order on one day",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(6) },
    examples: [
      eg({ key: true, before: true }, 6),
      eg({ key: true, before: false }, 0),
      eg({ key: false, before: true }, 0),
    ],
  }),
  S4: rule({
    title: "Hours between strength and endurance",
    kind: "cost",
    ...ROBINEAU,
    parameters: {
      points: points(6),
      hours: num(6, "hours", ROBINEAU, "between their starts on one day", { least: 2, most: 12 }),
    },
    examples: [eg({ hours: 6 }, 0), eg({ hours: 3 }, 3)],
  }),
  S5: rule({
    title: "Hard days hard, or spread",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(8) },
    examples: [
      eg({ placement: "stack", onKeyDay: true }, 0),
      eg({ placement: "stack", onKeyDay: false }, 8),
      eg({ placement: "spread", onKeyDay: true }, 8),
    ],
  }),
  S6: rule({
    title: "One day a week without key session or strength",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(6) },
    examples: [eg({ freeDays: 1 }, 0), eg({ freeDays: 0 }, 6)],
  }),
  S7: rule({
    title: "Preferred days",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(5) },
    examples: [eg({ preferred: true }, 0), eg({ preferred: false }, 5)],
  }),
  S8: rule({
    title: "The days of last week",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(3) },
    examples: [eg({ same: true }, 0), eg({ same: false }, 3)],
  }),
  S9: rule({
    title: "Evenly spaced over the week",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(4) },
    examples: [eg({ daysApart: 3, perWeek: 2 }, 0), eg({ daysApart: 1, perWeek: 2 }, 3)],
  }),
  S10: rule({
    title: "The athlete's limit for one day",
    kind: "cost",
    ...TRADE,
    parameters: {
      points: points(8),
      fullyOver: num(30, "minutes", HOUSE, "over the limit at which it weighs in full"),
    },
    examples: [eg({ over: 0 }, 0), eg({ over: 15 }, 4), eg({ over: 30 }, 8)],
  }),
  S11: rule({
    title: "Two demanding days in a row at most",
    kind: "cost",
    ...HOUSE,
    parameters: {
      points: points(5),
      most: num(2, "days", HOUSE, "in a row that are well"),
      demanding: num(150, "AU", HOUSE, "of loaded lower-body work from which a day is demanding"),
    },
    examples: [eg({ days: 2 }, 0), eg({ days: 3 }, 5)],
  }),
  S12: rule({
    title: "Legs not tired at the start of a key session",
    kind: "cost",
    ...HOUSE,
    parameters: { points: points(8) },
    examples: [eg({ tired: false }, 0), eg({ tired: true }, 8)],
  }),
  S13: rule({
    title: "Softer spacing around B and C races",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(6) },
    examples: [eg({ heavy: true, nearRace: true }, 6), eg({ heavy: false, nearRace: true }, 0)],
  }),
  S14: rule({
    title: "3 h from any other endurance session",
    kind: "cost",
    ...TRADE,
    parameters: { points: points(4), hours: num(3, "hours", TRADE, "between the starts", { least: 1, most: 8 }) },
    examples: [eg({ hours: 3 }, 0), eg({ hours: 1.5 }, 2)],
  }),
  "hold.minimum": rule({
    title: "A hold needs its hard sets",
    kind: "cost",
    ...HOUSE,
    parameters: { points: points(40) },
    examples: [eg({ enough: true }, 0), eg({ enough: false }, 40)],
  }),
  "work.lost": rule({
    title: "Work that the time or the place cannot hold",
    kind: "cost",
    ...HOUSE,
    parameters: {
      points: points(12),
      worth: table(
        { prepare: 2, develop: 9, maximal: 12, hold: 6, restore: 0 },
        "points",
        HOUSE,
        "that all the loaded lead work of a week is worth by emphasis",
      ),
      beside: num(2, "points", HOUSE, "that all the work beside the leads is worth"),
      heavy: num(2, "times", HOUSE, "that a squat or hinge counts whose maximal week finds no heavy load for it"),
    },
    examples: [
      eg({ lostShare: 0 }, 0),
      eg({ lostShare: 0.5 }, 6),
      eg({ emphasis: "maximal", at: "home" }, 24),
      eg({ emphasis: "hold", at: "home" }, 6),
      eg({ emphasis: "maximal", at: "gym" }, 0),
    ],
  }),
  "week.most": rule({
    title: "Most training load this week takes",
    kind: "figure",
    ...HOUSE,
    parameters: {
      increase: num(2 / 3, "of the full dose", HOUSE, "with a mileage increase"),
      spike: num(0.5, "of the full dose", HOUSE, "with a mileage spike"),
      stepBack: num(0.55, "of the full dose", HOUSE, "in a step-back week"),
      mobility: num(60, "AU", HOUSE, "of a mobility visit"),
    },
    says: {
      most: (v: { most: number; full: number; because: string }) =>
        `This week takes ${v.most} AU of training load at most in one session: the full dose weighs ${v.full} AU${v.because}.`,
      none: () => "No free time slot of this week takes a session, so that there is no training load to compare with.",
      increase: () => ", two thirds with a mileage increase",
      spike: () => ", one half with a mileage spike",
      stepBack: () => ", 0.55 in a step-back week",
      planned: () => "Planned effort of the session x minutes.",
    },
    examples: [eg({ stepBack: false }, 1), eg({ stepBack: true }, 0.55), eg({ pct: 20 }, 0.667), eg({ pct: 40 }, 0.5)],
  }),
  "fit.place": rule({
    title: "Least disturbance",
    kind: "figure",
    ...HOUSE,
    says: {
      best: (options: number) => `Best of ${options} options.`,
      only: () => "The one option there is.",
      done: () => "Nothing is left to place: this week's sessions are done.",
      nothing: () => "Nothing to place this week.",
      least: (options: string) =>
        `The least disturbance of ${options} options; what breaks a must-hold rule or cannot be better is ruled out.`,
      unplaced: (v: { label: string; why: string }) => `Session ${v.label} is not placed this week. ${v.why}`,
    },
  }),
  "nearest.change": rule({
    title: "The nearest change that makes room",
    kind: "figure",
    ...HOUSE,
    parameters: {
      from: num(300, "minutes after midnight", HOUSE, "from which a free time slot may be made"),
      to: num(1350, "minutes after midnight", HOUSE, "up to which it may"),
      longest: num(120, "minutes", HOUSE, "by which one slot is made longer at most"),
      step: num(15, "minutes", HOUSE, "by which it is tried"),
      anotherDay: num(60, "minutes", HOUSE, "that another day weighs beside its length"),
      slots: table({ a: 45, b: 60, c: 75, d: 90 }, "minutes", HOUSE, "of a slot on another day"),
      shorter: table(
        { a: 75, b: 60, c: 50, d: 45, e: 40, f: 35, g: 30, h: 25 },
        "minutes",
        HOUSE,
        "that a session may be cut to",
      ),
      hours: table(
        { a: 1, b: 2, c: 3, d: 4, e: 5, f: 6, g: -1, h: -2, i: -3 },
        "hours",
        HOUSE,
        "by which a key session may move on its day",
      ),
      days: table({ a: 1, b: -1, c: 2, d: -2 }, "days", HOUSE, "by which it may move at its hour"),
    },
    examples: [eg({ minutesShort: 15 }, 15), eg({ minutesShort: 30 }, 30)],
  }),
  "week.skip": rule({
    title: "Skipped by the coach",
    kind: "figure",
    ...TRADE,
    says: { skipped: (v: { session: string; reason: string }) => `${v.session} is skipped: ${v.reason}.` },
  }),
};
