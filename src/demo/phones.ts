/** The demo club's athletes have their weeks in hand, and something has come in from them. */
import { sessionsOf } from "../api/make/published";
import { addDays, type IsoDate, mondayOf } from "../core/dates";
import { Planner } from "../server/planner";
import type { Arrival } from "../server/store/phone";
import type { Store } from "../server/store/store";
import { troubleText } from "../server/views/arrivals";

interface Story {
  /** How the name begins. */
  who: string;
  /** Notes of this week and the next, as they are given out. */
  notes: readonly string[];
  messages?: readonly { by: "athlete" | "coach"; text: string }[];
  arrivals?: (today: IsoDate) => readonly Arrival[];
}

const STORIES: readonly Story[] = [
  {
    who: "Maren",
    notes: ["Easy start; Thursday's tempo is the key session. Step-ups: full foot, no push from below.", ""],
    messages: [
      { by: "coach", text: "How did the left calf take the hills on Sunday?" },
      { by: "athlete", text: "Quiet. The step-up felt heavy on the left. Shall I keep the load?" },
    ],
  },
  { who: "Oskar", notes: ["Race week: nothing heavy. Bring the band for the warm-up on Wednesday."] },
  {
    who: "Pell",
    notes: ["Stay with the slow lowering; tell me how each morning is."],
    arrivals: () => [
      {
        thing: "trouble/demo-pell",
        kind: "trouble",
        about: null,
        text: troubleText("calf", "right", 3, "Stiff in the mornings since Sunday"),
        urgent: true,
      },
    ],
  },
  {
    who: "Bryn",
    notes: ["Two short ones are enough with the hut weekend ahead."],
    arrivals: (today) => [
      {
        thing: `left-out/${mondayOf(today)}/B`,
        kind: "left-out",
        about: { date: today, label: "B" },
        text: "Session B left out: No time",
        urgent: false,
      },
    ],
  },
];

/** The same messages every time the club is made. */
const messageId = (story: number, n: number): string => `${story}${n}`.padStart(32, "0");

export async function addDemoPhones(store: Store, today: IsoDate, coach: string): Promise<void> {
  const planner = new Planner(store, () => today);
  const athletes = await store.athletes.list();
  for (const [at, { who, notes, messages, arrivals }] of STORIES.entries()) {
    const athlete = athletes.find((a) => a.name.startsWith(who));
    const planned = athlete && (await planner.season(athlete.id, addDays(today, 7)));
    if (!athlete || !planned) continue;
    for (const [week, note] of notes.entries()) {
      const monday = addDays(mondayOf(today), 7 * week);
      await store.phone.publish(athlete.id, monday, note, sessionsOf(planned, monday));
    }
    for (const [n, { by, text }] of (messages ?? []).entries()) {
      const id = messageId(at, n);
      const arrival: Arrival = { thing: `message/${id}`, kind: "message", about: null, text, urgent: false };
      const who = by === "coach" ? coach : athlete.name;
      await store.phone.say(athlete.id, { id, by, who, text, about: null }, by === "athlete" ? arrival : null);
    }
    await store.phone.arrived(athlete.id, arrivals?.(today) ?? []);
  }
}
