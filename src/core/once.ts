/** Work that is done once for a value. */

/**
 * @param make pure; whoever calls must not change what it gives
 * @returns the same function, whose answer is kept for as long as its argument lives; arguments are told apart by identity
 */
export function onceFor<K extends object, V>(make: (of: K) => V): (of: K) => V {
  const kept = new WeakMap<K, { made: V }>();
  return (of) => {
    const known = kept.get(of);
    if (known) return known.made;
    const made = make(of);
    kept.set(of, { made });
    return made;
  };
}

/** Texts that answers are kept for; beyond them all are forgotten. */
const MOST_TEXTS = 1000;

/** @param make pure; whoever calls must not change what it gives @returns the same function, whose answers are kept by their text */
export function onceForText<V>(make: (text: string) => V): (text: string) => V {
  const kept = new Map<string, { made: V }>();
  return (text) => {
    const known = kept.get(text);
    if (known) return known.made;
    if (kept.size >= MOST_TEXTS) kept.clear();
    const made = make(text);
    kept.set(text, { made });
    return made;
  };
}

/** @param make pure @returns the same, worked out when it is first asked for and kept */
export function once<V>(make: () => V): () => V {
  let known: { made: V } | null = null;
  return () => {
    known ??= { made: make() };
    return known.made;
  };
}
