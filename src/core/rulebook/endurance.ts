/** Endurance: load, hills, weekly figures, what growth is ordinary, and what mileage takes from strength. */
import { eg, HOUSE, many, num, pub, rule, TRADE, table } from "./rule";

const FOSTER = pub("Foster et al. 2001, J Strength Cond Res 15(1):109-115: effort x minutes");
const FOSTER_98 = pub(
  "Foster 1998, Med Sci Sports Exerc 30(7):1164-1168: mean daily load / standard deviation; load x monotony",
);
const WILLIAMS = pub(
  "Williams et al. 2017, Br J Sports Med 51:209-210. A description only: using their ratio to foresee injury is disputed (Impellizzeri et al. 2020)",
);
const FRANDSEN = pub(
  "Frandsen et al. 2025, Br J Sports Med 59:1203-1210: single sessions far above the month's longest look worse than weekly change",
);
const MINETTI = pub("Minetti et al. 2002, J Appl Physiol 93:1039-1046: cost by gradient");
const BANISTER = pub("Banister 1991: minutes, weighed by the fraction of the heart rate reserve");
const NAISMITH = pub(
  "Naismith 1892: 5 km/h and an hour more for every 600 m up; Tobler 1993: 6 e^(-3.5 |slope + 0.05|) km/h",
);
const PANDOLF = pub("Pandolf et al. 1977, J Appl Physiol 43(4):577-581; not downhill");

export const ENDURANCE = {
  "load.session": rule({
    title: "Training load of a session",
    kind: "figure",
    ...FOSTER,
    parameters: {
      rpe: table(
        { easy: 3, technique: 3, long: 4, steady: 4, tempo: 6, threshold: 7, intervals: 8, race: 9, other: 4 },
        "of 10",
        HOUSE,
        "effort taken where none is said",
      ),
      start: num(420, "minutes after midnight", HOUSE, "taken where no start is said"),
    },
    says: {
      load: (v: { load: number; rpe: number; assumed: boolean; minutes: number }) =>
        `Load ${v.load} AU: effort ${v.rpe}${v.assumed ? " (assumed)" : ""} x ${v.minutes} min.`,
    },
    examples: [eg({ kind: "easy", minutes: 50 }, 150), eg({ kind: "easy", minutes: 50, rpe: 5 }, 250)],
  }),
  "load.legs": rule({
    title: "Share of the training load on the legs",
    kind: "figure",
    ...HOUSE,
    parameters: {
      share: table(
        { run: 1, triathlon: 0.7, hike: 0.8, row: 0.6, ride: 0.5, swim: 0.15, other: 0.3 },
        "of the load",
        HOUSE,
        "that falls on the legs",
      ),
      packPerKg: num(0.01, "a kg", HOUSE, "that a pack adds on a hike"),
      descentPerKm: num(0.1, "each 1,000 m", HOUSE, "that descent adds on a hike"),
      most: num(1.2, "of the load", HOUSE, "on a hike at most"),
    },
    says: {
      share: (v: { share: number; load: number; more: boolean }) =>
        `The legs carry ${v.share} of it, ${v.load} AU${v.more ? ", more for pack and descent" : ""}.`,
    },
    examples: [
      eg({ sport: "hike", packKg: 20, descentM: 1900 }, 1.19),
      eg({ sport: "hike", packKg: 20, descentM: 2500 }, 1.2),
    ],
  }),
  "load.impulse": rule({
    title: "Training impulse",
    kind: "figure",
    ...BANISTER,
    says: {
      impulse: (v: { impulse: number; mean: number | undefined; rest: number | undefined; max: number | undefined }) =>
        `Training impulse ${v.impulse} from a mean heart rate of ${v.mean} between ${v.rest} and ${v.max}.`,
    },
  }),
  "hills.flat": rule({
    title: "Flat-equivalent distance",
    kind: "figure",
    ...MINETTI,
    parameters: {
      upShare: num(
        0.5,
        "of the way",
        HOUSE,
        "taken as climbing where only the ascent is known; the step from cost to distance is ours, too",
      ),
    },
    says: {
      costs: (v: { km: number; assumed: boolean }) =>
        `Costs as much as ${v.km} km on the flat${v.assumed ? ", taking as much down as up" : ""}.`,
      climb: (v: { ascent: number; distance: string; assumed: boolean }) =>
        `${v.ascent} m of ascent make it cost as much as ${v.distance} on the flat${v.assumed ? ", taking as much down as up" : ""}.`,
    },
    examples: [eg({ gradient: 0 }, 3.6), eg({ gradient: 0.1 }, 5.97), eg({ gradient: -0.1 }, 2.15)],
  }),
  "hike.time": rule({
    title: "Hiking time",
    kind: "figure",
    ...NAISMITH,
    says: {
      time: (v: { climb: string; slope: string }) =>
        `Without rests the way asks ${v.climb} by distance and climb, ${v.slope} by slope, taking as much down as up.`,
    },
    examples: [eg({ km: 10, ascentM: 600 }, 3)],
  }),
  "hike.pack": rule({
    title: "Walking with a pack",
    kind: "figure",
    ...PANDOLF,
    says: {
      watts: (v: { pack: number; watts: number; more: number }) =>
        `With ${v.pack} kg on a hard level road this speed takes about ${v.watts} W, ${v.more} W of it for the pack.`,
    },
    examples: [eg({ bodyKg: 70, packKg: 20, speed: 1.34 }, 362)],
  }),
  "figures.monotony": rule({
    title: "Monotony and strain",
    kind: "figure",
    ...FOSTER_98,
    says: {
      strain: (strain: string) =>
        `Mean daily load over its standard deviation; strain is load x monotony: ${strain} AU.`,
    },
    examples: [eg({ days: [100, 100, 100, 100, 100, 100, 100] }, null), eg({ days: [0, 100, 0, 100, 0, 100, 0] }, 0.8)],
  }),
  "figures.means": rule({
    title: "7-day and 28-day means",
    kind: "figure",
    ...WILLIAMS,
    parameters: {
      short: num(7, "days", WILLIAMS, "of the short mean"),
      long: num(28, "days", WILLIAMS, "of the long mean"),
    },
    says: {
      means: (v: { short: number; long: number }) =>
        `Weighted means of daily load at the week's end: ${v.short} AU over 7 days, ${v.long} AU over 28.`,
    },
    examples: [eg({ days: 7, daily: [100, 0] }, 75), eg({ days: 28, daily: [100, 0] }, 93.1)],
  }),
  "figures.longest": rule({
    title: "Longest session",
    kind: "figure",
    ...FRANDSEN,
    parameters: { days: num(30, "days", FRANDSEN, "looked back over") },
    says: {
      none: () => "No session in the 30 days before.",
      before: (duration: string) => `The longest of the 30 days before took ${duration}.`,
    },
    examples: [eg({ daysBefore: 30 }, true), eg({ daysBefore: 31 }, false)],
  }),
  "mileage.expected": rule({
    title: "What the last weeks lead to expect",
    kind: "figure",
    ...HOUSE,
    parameters: {
      lookBack: num(12, "weeks", HOUSE, "looked back over"),
      median: num(6, "weeks", HOUSE, "that the median is made of"),
      off: num(0.25, "of the median", HOUSE, "by which a week may differ and still count"),
      weeks: num(3, "weeks", HOUSE, "that a comparison rests on"),
      least: num(2, "weeks", HOUSE, "under which nothing is compared"),
      growth: num(0.05, "of the mean a week", HOUSE, "that is taken for ordinary growth at most"),
    },
    examples: [
      eg({ weeks: [100, 110, 121] }, 121.6),
      eg({ weeks: [100, 110] }, 105),
      eg({ weeks: [100] }, null),
      eg({ weeks: [100, 96, 92] }, 96),
    ],
  }),
  "mileage.increase": rule({
    title: "Mileage increase",
    kind: "dose",
    ...TRADE,
    parameters: {
      pct: num(10, "%", HOUSE, "above what was to be expected from which sets are cut", { least: 5, most: 30 }),
      share: num(2 / 3, "of the sets", HOUSE, "that stays", { least: 0.4, most: 1 }),
    },
    switchable: "A third of the sets less above 10% more mileage",
    says: {
      cut: (v: { what: string; pct: number }) =>
        `Sets trimmed by a third, load kept: ${v.what} is ${v.pct}% above what the last ordinary weeks led to expect.`,
    },
    examples: [eg({ pct: 10 }, 1), eg({ pct: 10.1 }, 0.667)],
  }),
  "mileage.spike": rule({
    title: "Mileage spike",
    kind: "dose",
    ...TRADE,
    parameters: {
      pct: num(30, "%", HOUSE, "above what was to be expected from which only the hold dose stays", {
        least: 15,
        most: 60,
      }),
      share: num(0.5, "of the sets", HOUSE, "that stays"),
    },
    switchable: "Hold dose only above 30% more mileage",
    says: {
      hold: (v: { what: string; pct: number }) =>
        `Hold dose only: ${v.what} is ${v.pct}% above what the last ordinary weeks led to expect.`,
    },
    examples: [eg({ pct: 30 }, false), eg({ pct: 30.1 }, true)],
  }),
  "mileage.room": rule({
    title: "Room for progress",
    kind: "dose",
    ...TRADE,
    parameters: {
      pct: num(-15, "%", HOUSE, "below what was to be expected from which there is room", { least: -40, most: -5 }),
    },
    switchable: "Room for progress below 15% less mileage in an ordinary week",
    says: {
      room: (v: { what: string; pct: number }) =>
        `Room for progress: ${v.what} is ${v.pct}% below what the last ordinary weeks led to expect.`,
    },
    examples: [eg({ pct: -15 }, false), eg({ pct: -15.1 }, true)],
  }),
  "session.longer": rule({
    title: "A session longer than the month's longest",
    kind: "caution",
    ...FRANDSEN,
    parameters: {
      pct: num(10, "%", HOUSE, "over the longest of the last 30 days from which it is said"),
      days: num(30, "days", FRANDSEN, "looked back over"),
      least: num(4, "sessions", HOUSE, "of the sport that those days must hold"),
    },
    says: {
      longer: (v: { what: string; on: string; pct: number; blocks: boolean }) =>
        `${v.what} on ${v.on}: ${v.pct}% longer than the longest of the 30 days before${v.blocks ? "; no heavy legs in the 48 h around it" : ""}.`,
    },
    examples: [eg({ km: 22, longest: 20 }, 0), eg({ km: 22.2, longest: 20 }, 11)],
  }),
  "session.spike": rule({
    title: "No heavy legs around a single long session",
    kind: "must",
    ...HOUSE,
    parameters: {
      pct: num(30, "%", HOUSE, "over the longest of the last 30 days from which heavy legs keep away"),
      days: num(2, "days", HOUSE, "before and after it"),
    },
    switchable: "No heavy legs in the 48 h around a session over 30% longer than the month's longest",
    says: {
      keepAway: (v: { what: string; on: string; pct: number }) =>
        `No heavy legs in the 48 h around the ${v.what} of ${v.on}: ${v.pct}% longer than the longest of the 30 days before.`,
    },
    examples: [
      eg({ km: 26, longest: 20, daysAway: 0 }, true),
      eg({ km: 26.1, longest: 20, daysAway: 2 }, false),
      eg({ km: 26.1, longest: 20, daysAway: 3 }, true),
    ],
  }),
  "mileage.assumed": rule({
    title: "The usual week stands in",
    kind: "figure",
    ...HOUSE,
    parameters: {
      part: num(0.5, "of the usual training days", HOUSE, "under which a week counts as planned in part"),
      openDays: num(
        2,
        "days",
        HOUSE,
        "usual after today without a plan, from which the rest of a week counts as not planned",
      ),
    },
    says: {
      standsIn: (v: { known: "part" | "none"; sessions: number }) =>
        `${v.known === "none" ? "No endurance is planned here" : "Only part of the endurance is planned here"}: ${many(v.sessions, "session")} of the last ordinary week ${v.sessions === 1 ? "stands" : "stand"} in, until you plan it.`,
      free: (v: { known: "part" | "none" }) =>
        `${v.known === "none" ? "No endurance is planned here" : "Only part of the endurance is planned here"}: strength is placed as if those days were free, and no change of mileage is judged.`,
    },
    examples: [
      eg({ planned: 1, usual: 4 }, "part"),
      eg({ planned: 2, usual: 4 }, "all"),
      eg({ planned: 0, usual: 4 }, "none"),
    ],
  }),
  "import.twin": rule({
    title: "Two records of one session",
    kind: "figure",
    ...HOUSE,
    parameters: {
      start: num(5, "minutes", HOUSE, "between the starts at most"),
      share: num(0.03, "of the figure", HOUSE, "between two figures at most"),
      minutes: num(1, "minutes", HOUSE, "that are let pass in any case"),
      distance: num(0.02, "of the distance", HOUSE, "between two distances at most"),
      leastDistance: num(0.05, "km", HOUSE, "that are let pass in any case"),
      planLeast: num(0.5, "of the planned minutes", HOUSE, "from which a done session is taken for the planned one"),
      planMost: num(2, "times the planned minutes", HOUSE, "up to which it is"),
    },
    examples: [eg({ startsApart: 5 }, true), eg({ startsApart: 6 }, false)],
  }),
};
