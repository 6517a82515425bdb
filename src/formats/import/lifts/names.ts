/** Which exercise of the library a foreign name means: known from before, the same name, or the nearest one, which a coach confirms. */
import { type Exercise, LOADINGS } from "../../../core/exercise";
import { plain } from "../words";

export interface NameGuess {
  /** Null where nothing stands near. */
  exercise: string | null;
  /** The name itself, or one that was confirmed before; else it is only the nearest. */
  sure: boolean;
}

/** Words of gyms in other languages and shapes, each as the library writes it; the longest first. */
const WORDS: readonly (readonly [RegExp, string])[] = [
  [
    /\bbulgarian split squats?\b|\bbulgarische (kniebeuge|split squats?)\b|\brfess\b/g,
    "rear foot elevated split squat",
  ],
  [
    /\brumanisches kreuzheben\b|\bsouleve de terre roumain\b|\bpeso muerto rumano\b|\bstacco rumeno\b|\brdls?\b/g,
    "romanian deadlift",
  ],
  [/\bsouleve de terre\b|\bpeso muerto\b|\bkreuzheben\b|\bstacc(o|hi)( da terra)?\b|\bmarkloft\b|\bdl\b/g, "deadlift"],
  [/\bfrontkniebeugen?\b|\bsquat avant\b|\bsentadilla frontal\b|\bsquat frontale\b/g, "front squat"],
  [/\bgobletkniebeugen?\b/g, "goblet squat"],
  [/\bkniebeugen?\b|\bsentadillas?\b|\bkniebuiging(en)?\b|\bknaboj(ning)?\b/g, "squat"],
  [/\bausfallschritte?\b|\bfentes?\b|\bzancadas?\b|\baffondi?\b|\buitvalspas(sen)?\b/g, "lunge"],
  [/\bruckwarts\b|\barriere\b|\batras\b|\bindietro\b|\bachterwaarts\b/g, "reverse"],
  [/\bvorwarts\b|\bavant\b|\bavanti\b|\badelante\b/g, "forward"],
  [
    /\bhuftheben\b|\bhuftstoss\b|\bpont fessier\b|\bempuje de cadera\b|\bspinta dell anca\b|\bhip thrusts?\b/g,
    "hip thrust",
  ],
  [
    /\bwadenheben\b|\bextension mollets?\b|\bmollets?\b|\belevacion de talones\b|\bpolpacci\b|\bkuitheffen\b|\bcalf raises?\b|\bheel raises?\b/g,
    "calf raise",
  ],
  [/\bbeinpresse\b|\bpresse a cuisses\b|\bprensa de piernas\b|\bpressa\b/g, "leg press"],
  [/\bunterarmstutz\b|\bplanche\b|\bgainage\b|\bplancha\b/g, "plank"],
  [/\bseitstutz\b|\bgainage lateral\b/g, "side plank"],
  [/\brudern\b|\btirage\b|\bremo\b|\brematore\b|\broeien\b/g, "row"],
  [/\bliegestutze?\b|\bpompes?\b|\bflexiones\b|\bpiegamenti\b/g, "push up"],
  [/\bklimmzuge?\b|\btractions?\b|\bdominadas?\b|\btrazioni\b|\bpull ups?\b/g, "pull up"],
  [/\baufsteigen\b|\bmontee sur banc\b|\bsubida al cajon\b|\bstep ups?\b/g, "step up"],
  [/\bkurzhanteln?\b|\bhalteres?\b|\bmancuernas?\b|\bmanubri\b|\bdbs?\b/g, "dumbbell"],
  [/\blanghantel\b|\bbarre\b|\bbarra\b|\bbilanciere\b|\bbb\b/g, "barbell"],
  [/\bkettlebells?\b|\bkb\b|\bkugelhantel\b/g, "kettlebell"],
  [/\beinbeinig(e[rs]?)?\b|\bune jambe\b|\buna pierna\b|\bmonopodalico\b|\bsl\b|\bone leg(ged)?\b/g, "single leg"],
];

/** Words that tell little of which exercise it is. */
const LITTLE = new Set(["barbell", "the", "a", "with", "of", "on", "and", "mit", "de", "back", "standing", "weighted"]);

const translated = (name: string): string => WORDS.reduce((p, [words, as]) => p.replace(words, as), plain(name));
const singular = (word: string): string => (word.length > 3 ? word.replace(/s$/, "") : word);
const tokens = (name: string): Set<string> => new Set(translated(name).split(" ").filter(Boolean).map(singular));

/** Share of the words of two names that they have in common; those that tell little count a third. */
function likeness(a: ReadonlySet<string>, b: ReadonlySet<string>): number {
  const weight = (w: string) => (LITTLE.has(w) ? 1 / 3 : 1);
  let [common, all] = [0, 0];
  for (const w of new Set([...a, ...b])) {
    all += weight(w);
    if (a.has(w) && b.has(w)) common += weight(w);
  }
  return all === 0 ? 0 : common / all;
}

/** Less in common than this is no guess at all [house]. */
const LEAST = 0.5;

/**
 * @param known what the club has confirmed before, by the plain name; "" is a name that is left out
 * @returns by the name as it is written
 */
export function guessNames(
  names: readonly string[],
  exercises: readonly Exercise[],
  known: Readonly<Record<string, string>>,
): Map<string, NameGuess> {
  const exact = new Map<string, string>();
  const all = exercises.flatMap((e) => {
    for (const n of [e.id.replaceAll("-", " "), e.name, ...e.alsoCalled])
      if (!exact.has(plain(n))) exact.set(plain(n), e.id);
    return [e.name, ...e.alsoCalled].map((n) => ({ id: e.id, words: tokens(n), rank: LOADINGS.indexOf(e.loading) }));
  });
  return new Map(
    names.map((name): [string, NameGuess] => {
      const said = known[plain(name)];
      if (said !== undefined) return [name, { exercise: said === "" ? null : said, sure: true }];
      const same = exact.get(plain(name));
      if (same) return [name, { exercise: same, sure: true }];
      const words = tokens(name);
      let best: { id: string; like: number; rank: number } | null = null;
      for (const e of all) {
        const like = likeness(words, e.words);
        const more = like - (best?.like ?? 0);
        // Of names that are as near, the one lifted with a bar or a bell is meant.
        if (like >= LEAST && (more > 0 || (more === 0 && e.rank < (best?.rank ?? 0)))) best = { ...e, like };
      }
      return [name, { exercise: best?.id ?? null, sure: false }];
    }),
  );
}
