/** Words that no screen, sheet or message may hold: riddles, and private names for what has a common one. */

/** Each with what stands instead. Whole words; where a word has a common meaning too, the private use alone. */
export const NOT_THIS: readonly (readonly [RegExp, string])[] = [
  [/came between/i, "Something came up"],
  [/\bfit week\b|\bthe fit\b|\bfitted again\b|\bfitted together\b/i, "Place sessions, Re-plan week"],
  [/\bcosts? \d/i, "Disturbance 7"],
  [/\bleast cost\b/i, "best of 44 options"],
  [/\bdepth limit\b|\bdepth \d/i, "Training load (AU)"],
  [/\bterrain\b/i, "Endurance"],
  [/season section/i, "Season"],
  [/(?<!Field )(?<!door )\banchors?\b/i, "Session"],
  [/\bwindows?\b/i, "Free time slot"],
  [/\btake over\b|\bthrow away\b/i, "Apply, Discard"],
  [/may not stand here/i, "Not possible: ..."],
  [/\bin hand\b/i, "picked up"],
  [/\bits (week|sheet|ladder)\b/i, "This week, Exercise, Progression"],
  [/\bstands here\b/i, "current step"],
  [/\brungs?\b|\bladders?\b/i, "step, progression"],
  [/by the record/i, "suggested"],
  [/beside them/i, "Accessory work"],
  [/make the athlete|\bon to health\b/i, "Create athlete; Next: health"],
  [/saved as you go/i, "Saved as you type."],
  [/for the marks of tests/i, "for test standards"],
  [/time in the gym, months/i, "Strength training so far (months)"],
  [/masses in|distances in/i, "Weight unit, Distance unit"],
  [/paint where|rub out/i, "Mark when strength is possible; Erase"],
  [/ratchets?/i, "(left out)"],
  [/draws looks/i, "Avoid conspicuous exercises"],
  [/number of its own/i, "Record ID"],
  [/floor opens|to the floor\b(?!,| and back)/i, "Logging opens on 1 Dec; Log session"],
  [/rest, empty|changing over/i, "rest; set-up time"],
  [/e1RM as it stands/i, "current estimated 1RM"],
  [/inside what the estimate can tell/i, "too small to be sure"],
  [/and the day takes none/i, "no loaded work allowed today"],
  [/what matters most/i, "Top five"],
  [/command palette/i, "Search and go to"],
  [/you are away/i, "My absences"],
  [/\(M\d+\)|\(S\d+\)/, "a sentence; codes of rules stand in Rules alone"],
];

/** What of a text is not to be said, with its surroundings. */
export const riddlesIn = (text: string): string[] =>
  NOT_THIS.flatMap(([pattern, instead]) => {
    const found = pattern.exec(text);
    return found ? [`"${text.slice(Math.max(0, found.index - 30), found.index + 40)}": ${instead}`] : [];
  });
