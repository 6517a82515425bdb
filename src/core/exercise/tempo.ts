/** Tempo of a repetition, as the library writes it. */
import { onceForText } from "../once";

/** Seconds down, at depth, up. */
export interface Tempo {
  down: number;
  pause: number;
  lift: number;
}

/** @param text such as "2-0-1" */
export const tempoOf = onceForText((text): Readonly<Tempo> => {
  const [down = 0, pause = 0, lift = 0] = text.split("-").map(Number);
  return { down, pause, lift };
});
export const tempoText = ({ down, pause, lift }: Tempo): string => `${down}-${pause}-${lift}`;
