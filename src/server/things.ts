/** The state of each thing that a change can be about, as the change's own body would say it; a tag names it. */
import { createHash } from "node:crypto";
import type { EntityManager } from "typeorm";
import { withPlannedEndurance } from "../api/make/planned";
import { joinedTag, partsOfThing } from "../api/things";
import type { Athlete } from "../core/athlete";
import { addDays, mondayOf } from "../core/dates";
import type { Context } from "./context";
import type { Stored } from "./store/athletes";
import {
  ApproachEntity,
  ClubSettingEntity,
  CoachAbsenceEntity,
  FeedLinkEntity,
  HiddenExerciseEntity,
  OwnExerciseEntity,
  ReviewEntity,
  TemplateEntity,
} from "./store/entities";
import type { Store } from "./store/store";

export const tagOf = (value: unknown): string =>
  createHash("sha256")
    .update(JSON.stringify(value ?? null))
    .digest("base64url")
    .slice(0, 16);

/** The tag of a thing's state; of each part where it has several. */
export function tagOfThing(key: string, value: unknown): string {
  const parts = partsOfThing(key);
  if (parts.length === 1) return tagOf(value);
  const of = (value ?? {}) as Record<string, unknown>;
  return joinedTag(
    parts.map((p) => {
      const name = p.slice(p.lastIndexOf("/") + 1);
      return tagOf({ [name]: of[name] });
    }),
  );
}

const section = (a: Athlete, name: string): unknown => {
  switch (name) {
    case "facts":
      return a.athlete;
    case "settings":
      return a.settings ?? {};
    case "rungs":
      return a.rungs ?? [];
    case "phases":
      return a.phases ?? [];
    case "mileage":
      return a.endurance;
    case "endurancePlan":
      return a.endurancePlan ?? null;
    case "season":
    case "health":
    case "places":
    case "availability":
    case "races":
    case "endurance":
      return a[name];
    default:
      return null;
  }
};

const sections = (a: Athlete, names: string): unknown =>
  Object.fromEntries(names.split("+").map((n) => [n, section(a, n)]));

/** Of what stands in the athlete's record and lists. Undefined where the kind is not of that sort. */
function inRecord(s: Stored, kind: string, [a = "", b = "", c = ""]: readonly string[]): unknown {
  const { athlete } = s;
  switch (kind) {
    case "held":
      return s.heldWeeks.includes(a) ? { sessions: s.held.filter((h) => mondayOf(h.date) === a) } : null;
    case "locks":
      return athlete.locked?.find((l) => mondayOf(l.date) === a && l.label === b) ?? null;
    case "races": {
      const race = athlete.races.find((r) => r.id === a);
      if (!race) return null;
      const { id: _, ...body } = race;
      return body;
    }
    case "endurance":
      return athlete.endurance[s.enduranceIds.indexOf(a)] ?? null;
    case "windows":
      return { windows: athlete.availability };
    case "phases":
      return { phases: athlete.phases ?? [] };
    case "endurance-plan":
      return { plan: athlete.endurancePlan ?? null };
    case "intake":
    case "scenario":
      return sections(athlete, a);
    case "screening": {
      const results = athlete.screening.filter((x) => x.date === a).map(({ date: _, ...r }) => r);
      const seen = (athlete.seen ?? []).filter((x) => x.date === a).map(({ date: _, ...r }) => r);
      return results.length + seen.length > 0 ? { date: a, results, seen } : null;
    }
    case "swaps": {
      const swap = s.swaps.find((x) => x.date === a && x.label === b && x.from === c);
      return swap ? { from: swap.from, to: swap.to } : null;
    }
    case "notes":
      return s.notes[a] === undefined ? null : { text: s.notes[a] };
    case "edits": {
      const edit = athlete.edits?.find((e) => e.week === a && e.label === b);
      return edit ? { items: edit.items, ...(edit.note ? { note: edit.note } : {}) } : null;
    }
    case "overrules":
      return athlete.overrules?.find((o) => o.date === a && o.exercise === b) ?? null;
    case "check-ins": {
      const said = athlete.checkIns?.find((c) => c.date === a);
      if (!said) return null;
      const { date: _, ...body } = said;
      return body;
    }
    case "homework": {
      const tick = athlete.homework?.find((h) => h.date === a && h.item === b);
      return tick ? { done: tick.done } : null;
    }
    case "follow":
      return {
        approach: athlete.settings?.approach,
        approachByPhase: athlete.settings?.approachByPhase,
        rulesOff: athlete.settings?.rulesOff,
      };
    case "rules":
      return { values: athlete.settings?.ruleValues ?? {} };
    case "weights":
      return {
        weights: athlete.settings?.ruleWeights ?? {},
        preferredDays: athlete.settings?.preferredDays ?? [],
        maxMinutesPerDay: athlete.settings?.maxMinutesPerDay ?? null,
      };
    default:
      return undefined;
  }
}

const parsed = (row: { data: string } | null): unknown => (row ? JSON.parse(row.data) : null);

async function ofClub(m: EntityManager, key: string): Promise<unknown> {
  const [kind, a = "", b] = key.split("/");
  const setting = async (name: string) => parsed(await m.findOneBy(ClubSettingEntity, { name }));
  switch (kind) {
    case "club":
      return { weights: (await setting("weights")) ?? {} };
    case "rules":
      return { values: (await setting("ruleValues")) ?? {} };
    case "gyms":
      return ((await setting("gyms")) as Record<string, unknown> | null)?.[a] ?? null;
    case "approaches": {
      if (a === "rules") return { rulesOff: (await setting("rulesOff")) ?? [] };
      const approach = parsed(await m.findOne(ApproachEntity, { where: { id: a }, order: { version: "DESC" } }));
      return approach === null ? null : { approach };
    }
    case "exercises":
      if (b === "hidden") return (await m.findOneBy(HiddenExerciseEntity, { id: a })) ? { hidden: true } : null;
      return parsed(await m.findOneBy(OwnExerciseEntity, { id: a }));
    case "templates": {
      const row = await m.findOneBy(TemplateEntity, { id: a });
      return row ? { name: row.name, items: parsed(row) } : null;
    }
    case "absences": {
      const row = await m.findOneBy(CoachAbsenceEntity, { id: a });
      return row ? { start: row.start, end: row.end, what: row.what } : null;
    }
    default:
      return null;
  }
}

/** The state of a thing as it stands in this transaction; null where there is none. */
export async function thingValue(m: EntityManager, store: Store, key: string): Promise<unknown> {
  const [kind, id = "", inside = "", ...rest] = key.split("/");
  if (kind === "groups") {
    const group = await store.groups.get(id, m);
    return group && { name: group.name, members: group.members, hour: group.hour };
  }
  if (kind !== "athletes") return ofClub(m, key);
  if (inside === "feed") {
    const link = await m.findOneBy(FeedLinkEntity, { athleteId: id });
    return { account: link?.account ?? null };
  }
  if (inside === "reviews") {
    const row = await m.findOneBy(ReviewEntity, { athleteId: id, start: rest[0] ?? "", end: rest[1] ?? "" });
    return row ? { start: row.start, end: row.end, text: row.text, sent: row.sentAt !== null } : null;
  }
  const stored = await store.athletes.read(m, id);
  return stored ? (inRecord(withPlannedEndurance(stored), inside, rest) ?? null) : null;
}

const INTAKE = ["facts", "settings", "season", "health", "places", "availability", "rungs"];

/**
 * Tags of everything of an athlete that a screen may change, by name; what is not named does not exist.
 * @param near endurance sessions from and until these days are among them
 * @param seasonal so is the endurance as a whole, which a tried season may change
 */
async function athleteTags(
  store: Store,
  s: Stored,
  near: readonly [string, string] | null,
  seasonal: boolean,
): Promise<Record<string, string>> {
  const { athlete } = s;
  const names = [
    ...["windows", "phases", "endurance-plan", "follow", "weights", "rules"],
    ...INTAKE.map((n) => `intake/${n}`),
    ...["availability", "phases", "races", ...(seasonal ? ["endurance", "mileage", "endurancePlan"] : [])].map(
      (n) => `scenario/${n}`,
    ),
    ...s.heldWeeks.map((w) => `held/${w}`),
    ...(athlete.locked ?? []).map((l) => `locks/${mondayOf(l.date)}/${l.label}`),
    ...athlete.races.map((r) => `races/${r.id}`),
    ...[...athlete.screening, ...(athlete.seen ?? [])].map((x) => `screening/${x.date}`),
    ...s.swaps.map((x) => `swaps/${x.date}/${x.label}/${x.from}`),
    ...Object.keys(s.notes).map((w) => `notes/${w}`),
    ...(athlete.edits ?? []).map((e) => `edits/${e.week}/${e.label}`),
    ...(athlete.checkIns ?? []).map((c) => `check-ins/${c.date}`),
    ...(athlete.homework ?? []).map((h) => `homework/${h.date}/${h.item}`),
    ...(athlete.overrules ?? []).map((o) => `overrules/${o.date}/${o.exercise}`),
  ];
  const base = `athletes/${s.id}`;
  const tags: Record<string, string> = {};
  for (const n of new Set(names)) {
    const [kind = "", ...rest] = n.split("/");
    tags[`${base}/${n}`] = tagOf(inRecord(s, kind, rest));
  }
  if (near)
    athlete.endurance.forEach((e, i) => {
      if (e.date >= near[0] && e.date <= near[1]) tags[`${base}/endurance/${s.enduranceIds[i]}`] = tagOf(e);
    });
  const { reader } = store.db;
  for (const r of await reader.findBy(ReviewEntity, { athleteId: s.id })) {
    const key = `${base}/reviews/${r.start}/${r.end}`;
    tags[key] = tagOf(await thingValue(reader, store, key));
  }
  tags[`${base}/feed`] = tagOf(await thingValue(reader, store, `${base}/feed`));
  return tags;
}

async function clubTags(store: Store, kind: string): Promise<Record<string, string>> {
  const { reader } = store.db;
  const ids = async (): Promise<string[]> => {
    switch (kind) {
      case "approaches":
        return ["approaches/rules", ...store.approaches.all.map((a) => `approaches/${a.id}`)];
      case "exercises": {
        const { own, hidden } = await store.exercises.facts();
        return [...own.map((o) => `exercises/${o.id}`), ...hidden.map((h) => `exercises/${h}/hidden`)];
      }
      case "rules":
        return ["rules/values"];
      case "templates":
        return (await reader.find(TemplateEntity)).map((t) => `templates/${t.id}`);
      case "calendar":
        return (await reader.find(CoachAbsenceEntity)).map((c) => `absences/${c.id}`);
      case "groups":
        return (await store.groups.all(reader)).map((g) => `groups/${g.id}`);
      case "gym":
        return Object.keys(((await store.club.setting("gyms")) as object | null) ?? {}).map((g) => `gyms/${g}`);
      default:
        return [];
    }
  };
  const tags: Record<string, string> = {};
  for (const key of await ids()) tags[key] = tagOf(await thingValue(reader, store, key));
  return tags;
}

/** Days around today whose endurance sessions the record shows, and around a week those of the week. */
const NEAR = { record: 45, week: 8 };

/**
 * Tags for a view, and the names under which whatever is not among them does not exist.
 * @param path of the route, such as "/athletes/:id/weeks/:monday"
 */
export async function tagsFor(
  { store, today }: Context,
  path: string,
  params: Record<string, string>,
): Promise<{ tags: Record<string, string>; whole: string }> {
  const [kind = ""] = path.slice(1).split("/");
  if (kind !== "athletes")
    return {
      tags: await clubTags(store, kind),
      whole: `${kind === "calendar" ? "absences" : kind === "gym" ? "gyms" : kind}/`,
    };
  const stored = await store.athletes.get(params.id ?? "");
  const whole = `athletes/${params.id}/`;
  if (!stored) return { tags: {}, whole };
  const near = params.monday
    ? daysAround(params.monday, NEAR.week)
    : path === "/athletes/:id"
      ? daysAround(today(), NEAR.record)
      : null;
  const tags = await athleteTags(store, stored, near, /\/(season|planning)$/.test(path));
  if (path.endsWith("/weights")) tags["club/weights"] = tagOf(await ofClub(store.db.reader, "club/weights"));
  return { tags, whole };
}

/** The days around one whose endurance sessions a view shows. */
const daysAround = (day: string, days: number): [string, string] => [addDays(day, -days), addDays(day, days)];
