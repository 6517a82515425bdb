import { useHeld } from "../data/tags";

/** Holds the state of a thing for as long as this stands on the page (see data/tags). */
export function Held({ thing }: { thing: string }) {
  useHeld(thing);
  return null;
}
