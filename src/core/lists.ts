/** Lists, where a season makes them by the thousand. */

/**
 * As `list.flatMap(of)`, several times faster: the engine's own calls itself anew for each element.
 * @returns what is made of the elements, in their order, as one list
 */
export function flatMap<T, U>(list: readonly T[], of: (element: T, at: number) => readonly U[]): U[] {
  const out: U[] = [];
  for (let i = 0; i < list.length; i++) for (const made of of(list[i] as T, i)) out.push(made);
  return out;
}
