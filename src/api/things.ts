/**
 * Names of the things that a change is about: a race, a week's note, a session's sheet, a setting. A view tells the state of each (a tag), and
 * a change says which state it was made from.
 */
import { isDate, mondayOf } from "../core/dates";

/** The header by which a screen asks views for tags. */
export const TAGS_HEADER = "field-anchor-tags";
/** A view with its tags. */
export const TAGGED_TYPE = "application/vnd.field-anchor.tagged+json";

export interface Tagged {
  value: unknown;
  /** State of each thing, by its name. */
  tags: Record<string, string>;
  /** Things whose names begin so and that are not among the tags do not exist (endurance sessions apart, which are many). */
  whole: string;
  /** The tag of a thing that does not exist. */
  none: string;
}

const monday = (date: string | undefined): string => (date && isDate(date) ? mondayOf(date) : (date ?? ""));
const partsOf = (body: unknown): string =>
  body !== null && typeof body === "object" ? Object.keys(body).sort().join("+") : "";
const field = (body: unknown, name: string): string =>
  body !== null && typeof body === "object" ? String((body as Record<string, unknown>)[name] ?? "") : "";

/** A thing of several parts (steps of the intake, a tried season) is as many things with a tag each. */
export function partsOfThing(thing: string): string[] {
  const at = thing.lastIndexOf("/");
  return /^athletes\/[^/]+\/(intake|scenario)\//.test(thing)
    ? thing
        .slice(at + 1)
        .split("+")
        .map((part) => `${thing.slice(0, at)}/${part}`)
    : [thing];
}
export const joinedTag = (tags: readonly string[]): string => tags.join(".");

/** Inside an athlete. */
function insideAthlete(parts: readonly string[], body: unknown): string | null {
  const [kind, a, b, c] = parts;
  switch (kind) {
    case "weeks":
      return b === "held" ? `held/${monday(a)}` : null;
    case "locks":
      return a === undefined
        ? `locks/${monday(field(body, "date"))}/${field(body, "label")}`
        : `locks/${monday(a)}/${b}`;
    case "races":
      return a === undefined ? null : `races/${a}`;
    case "endurance":
      return a === undefined ? null : `endurance/${a}`;
    case "windows":
    case "phases":
    case "endurance-plan":
    case "feed":
    case "follow":
      return a === undefined ? kind : null;
    case "weights":
    case "rules":
      return a === undefined ? kind : null;
    case "intake":
      return `intake/${partsOf(body)}`;
    case "scenario":
      return `scenario/${partsOf(body)}`;
    case "screening":
      return `screening/${a ?? field(body, "date")}`;
    case "check-ins":
      return a === undefined ? null : `check-ins/${a}`;
    case "homework":
      return b === undefined ? null : `homework/${a}/${b}`;
    case "swaps":
      return `swaps/${a}/${b}/${field(body, "from")}`;
    case "notes":
      return `notes/${monday(a)}`;
    case "sessions":
      return c === "edit" ? `edits/${monday(a)}/${b}` : null;
    case "overrules":
      return a === undefined ? `overrules/${field(body, "date")}/${field(body, "exercise")}` : `overrules/${a}/${b}`;
    case "reviews":
      return `reviews/${field(body, "start")}/${field(body, "end")}`;
    default:
      return null;
  }
}

/**
 * The thing a change is about.
 * @param path under /api, such as "/athletes/1/races/race-2"
 * @returns a name such as "athletes/1/races/race-2"; null where nothing of another's can be overwritten
 */
export function thingOf(path: string, body: unknown): string | null {
  const parts = path.replace(/^\//, "").split("/").map(decodeURIComponent);
  if (parts[0] === "athletes") {
    if (parts[2] === "weights" && parts[3] === "club") return "club/weights";
    const inside = parts.length > 2 ? insideAthlete(parts.slice(2), body) : null;
    return inside && `athletes/${parts[1]}/${inside}`;
  }
  if (parts[0] === "calendar" && parts.length === 3) return `absences/${parts[2]}`;
  if (parts[0] === "gym") return `gyms/${parts[2]}`;
  if (parts.length > 1) return parts.join("/");
  return null;
}
