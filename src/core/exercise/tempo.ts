/** Tempo of a repetition, as the library writes it. */

/** Seconds down, at depth, up. */
export interface Tempo {
  down: number;
  pause: number;
  lift: number;
}

const known = new Map<string, Tempo>();

/** @param text such as "2-0-1" */
export function tempoOf(text: string): Readonly<Tempo> {
  const before = known.get(text);
  if (before) return before;
  const [down = 0, pause = 0, lift = 0] = text.split("-").map(Number);
  const made = { down, pause, lift };
  known.set(text, made);
  return made;
}
export const tempoText = ({ down, pause, lift }: Tempo): string => `${down}-${pause}-${lift}`;
