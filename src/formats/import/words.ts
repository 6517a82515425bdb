/** Words of foreign files, in the languages our coaches meet: sports, kinds, races, column headings. */
import type { SessionKind, SessionSport } from "../../core/athlete";

/** Letters without accents, lower case, everything else a space. */
export const plain = (text: string): string =>
  text
    .normalize("NFD")
    .replace(/[\u0300-\u036f]/g, "")
    .replace(/ß/g, "ss")
    .replace(/ø/gi, "o")
    .toLowerCase()
    .replace(/[^a-z0-9]+/g, " ")
    .trim();

const SPORTS: [SessionSport, RegExp][] = [
  ["triathlon", /triathl|duathl|multisport|multi sport/],
  ["swim", /swim|schwimm|natation|nage|nuoto|natacion|zwem|svom|simm/],
  ["row", /\brow|rudern|ruder\b|aviron|canottaggio|\bremo\b|roei|\berg\b|ergomet/],
  ["ride", /bike|biking|cycl|\bride|riding|\brad|radfahr|velo|ciclis|bici|fiets|wielren|cykel|sykkel|gravel/],
  ["hike", /hik|walk|wander|randonn|marche|escursion|camminat|senderis|caminat|wandel|vandr|trek/],
  [
    "run",
    /\brun|running|jog|\blauf|laufen|trail|course a pied|\bcourse\b|corsa|correr|carrera|corrida|hardloop|lob\b|lopning|lop\b|track/,
  ],
];

/** @returns the sport a text speaks of; undefined where none is found */
export function sportOf(text: string): SessionSport | undefined {
  const p = plain(text);
  return SPORTS.find(([, words]) => words.test(p))?.[0];
}

const KINDS: [SessionKind, RegExp][] = [
  ["race", /\brace\b|wettkampf|rennen|competition|course officielle|\bgara\b|competicion|wedstrijd|event\b/],
  ["intervals", /interval|intervall|fractionn|ripetut|series|repeats|hiit|vo2/],
  ["threshold", /threshold|schwelle|seuil|soglia|umbral|drempel/],
  ["tempo", /tempo/],
  ["long", /\blong|\blang|sortie longue|lungo|larg[oa]|duurloop/],
  ["technique", /technique|technik|drill|tecnic/],
  ["steady", /steady|dauer|endurance|medio|medium|ga1|ga2/],
  ["easy", /easy|locker|leicht|recovery|regenerat|facile|lent|suave|rustig|shake/],
];

/** @returns the kind a text speaks of; undefined where none is found */
export function kindOf(text: string): SessionKind | undefined {
  const p = plain(text);
  return KINDS.find(([, words]) => words.test(p))?.[0];
}

/** Minutes from which a session without a word of its kind is taken as long, by sport [house]. */
const LONG_MINUTES: Partial<Record<SessionSport, number>> = {
  run: 100,
  hike: 240,
  ride: 180,
  row: 100,
  triathlon: 150,
};

export const assumedKind = (sport: SessionSport, minutes: number): SessionKind =>
  minutes >= (LONG_MINUTES[sport] ?? Number.POSITIVE_INFINITY) ? "long" : "easy";

const RACE_WORDS =
  /\brace\b|rennen|wettkampf|regatta|marathon|\bcup\b|championship|meisterschaft|triathlon|sportive|\bgara\b|competition|criterium|time trial/;
const TRAINING_WORDS = /training|\bpace\b|session|workout|einheit|\bplan\b|practice|seance|test\b/;
const LENGTH = /\b\d+ ?k(m)?\b|\b\d+ ?miles?\b/;

/**
 * Whether the words of a calendar entry speak of a race rather than of a training session: "marathon pace" does not.
 * @param wholeDay an entry without hours, of which a length alone ("Saltmarsh 10K") says enough
 */
export function speaksOfRace(text: string, wholeDay: boolean): boolean {
  const p = plain(text);
  const kind = kindOf(text);
  if (TRAINING_WORDS.test(p) || (kind !== undefined && kind !== "race")) return false;
  return (
    kind === "race" || RACE_WORDS.test(p) || (wholeDay && LENGTH.test(p) && !/\b(run|ride|swim|jog|lauf)\b/.test(p))
  );
}
