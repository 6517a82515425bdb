/** The demo club's groups: those who meet in the gym on a Tuesday evening, and the runners. */
import type { GroupHour } from "../api/many";
import type { Store } from "../server/store/store";

const GROUPS: readonly { id: string; name: string; who: readonly string[]; hour: GroupHour | null }[] = [
  {
    id: "demo-tuesday",
    name: "Tuesday strength",
    who: ["Maren", "Ilse", "Teodor", "Sunniva"],
    hour: { day: 2, start: "18:00", minutes: 120, place: "club-gym", racks: 2, eyes: 4 },
  },
  { id: "demo-runners", name: "Runners", who: ["Maren", "Sunniva", "Pell"], hour: null },
];

export async function addDemoGroups(store: Store): Promise<void> {
  const athletes = await store.athletes.list();
  for (const { id, name, who, hour } of GROUPS) {
    const members = who.flatMap((w) => athletes.find((a) => a.name.startsWith(w))?.id ?? []);
    await store.groups.add({ name, members, hour }, id);
  }
}
