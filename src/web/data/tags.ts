/**
 * Which state of each thing this browser has seen. Views bring tags with them; a change says which state it was made from, so that nothing is
 * overwritten unseen. A form that holds typed values holds the state it began with, whatever is read meanwhile.
 */
import { useEffect, useState } from "react";
import { joinedTag, partsOfThing, type Tagged } from "../../api/things";

const latest = new Map<string, string>();
const held = new Map<string, { tag: string | null; forms: number }>();
/** Things of which a view brought all there are; what is not among them does not exist. */
const whole = new Map<string, string>();

/** Of these a view brings some: endurance sessions are many. */
const some = (key: string): boolean => /^athletes\/[^/]+\/(endurance|scenario)\//.test(key);

export function learnTags({ tags, whole: prefix, none }: Omit<Tagged, "value">): void {
  for (const key of latest.keys()) if (key.startsWith(prefix) && !some(key) && !(key in tags)) latest.delete(key);
  for (const [key, tag] of Object.entries(tags)) latest.set(key, tag);
  whole.set(prefix, none);
}

function latestOf(key: string): string | null {
  const known = latest.get(key);
  if (known !== undefined || some(key)) return known ?? null;
  for (const [prefix, none] of whole) if (key.startsWith(prefix)) return none;
  return null;
}

/** The state a change of a thing is made from; null where none was seen. */
export function seenTag(thing: string): string | null {
  const tags = partsOfThing(thing).map((key) => held.get(key)?.tag ?? latestOf(key));
  return tags.every((t) => t !== null) ? joinedTag(tags) : null;
}

/** The state of a thing after a change of this browser's own, or once another's was looked at. */
export function setTag(thing: string, tag: string): void {
  const tags = tag.split(".");
  for (const [i, key] of partsOfThing(thing).entries()) {
    const of = tags[i];
    if (of === undefined) continue;
    latest.set(key, of);
    const form = held.get(key);
    if (form) form.tag = of;
  }
}

/** What was learned of an athlete who is erased. */
export function forgetTags(prefix: string): void {
  for (const map of [latest, whole, held]) for (const key of map.keys()) if (key.startsWith(prefix)) map.delete(key);
}

/** Holds the state of a thing for as long as a form with typed values shows it. @param thing null where there is none yet */
export function useHeld(thing: string | null): void {
  const [first] = useState(() =>
    thing === null ? [] : partsOfThing(thing).map((key) => ({ key, tag: latestOf(key) })),
  );
  useEffect(() => {
    for (const { key, tag } of first) {
      const form = held.get(key) ?? { tag, forms: 0 };
      form.forms++;
      held.set(key, form);
    }
    return () => {
      for (const { key } of first) {
        const form = held.get(key);
        if (form && --form.forms === 0) held.delete(key);
      }
    };
  }, [first]);
}
