/** How many buttons of a toolbar find room. */

/** Pixels between two of them. */
export const GAP = 8;

/**
 * How many of a row of buttons find room, the first ones first.
 * @param widths of each, px @param kept px that stay taken in any case @param more px of the button that holds the rest; it stands when one does not fit, or always
 */
export function roomFor(widths: readonly number[], room: number, kept: number, more: number, always: boolean): number {
  const all = widths.reduce((a, w) => a + w + GAP, kept);
  if (!always && all <= room) return widths.length;
  let used = kept + more + GAP;
  let n = 0;
  for (const w of widths) {
    used += w + GAP;
    if (used > room) break;
    n += 1;
  }
  return n;
}
