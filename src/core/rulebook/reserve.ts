/** Repetitions in reserve as they are said; on its own, so that whoever only says them need not load the book. */

/** Repetitions in reserve above this many are not told apart (rule load.triple). */
export const RESERVE_SHOWN_UP_TO = 5;
export const reserveWords = (reserve: number): string =>
  reserve > RESERVE_SHOWN_UP_TO ? `${RESERVE_SHOWN_UP_TO} or more` : String(reserve);
