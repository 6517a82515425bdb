/** One account of each role, to try what each sees: nobody is asked for them where the demo club runs on this machine. */
import type { Role } from "../api/roles";
import type { Store } from "../server/store/store";

/** The same for all of them, and said on the page of accounts. */
export const DEMO_PASSWORD = "saltmarsh at dawn";

const PEOPLE: readonly { name: string; shown: string; role: Role; athletes: "all" | readonly string[] }[] = [
  { name: "wren", shown: "Wren Aldous", role: "owner", athletes: "all" },
  { name: "jory", shown: "Jory Penhale", role: "coach", athletes: ["Maren", "Ilse", "Sunniva"] },
  { name: "tove", shown: "Tove Hask", role: "assistant", athletes: "all" },
  { name: "maren", shown: "Maren Tolvaj", role: "athlete", athletes: ["Maren"] },
];

export async function addDemoAccounts(store: Store): Promise<void> {
  const list = await store.athletes.list();
  const ids = (names: "all" | readonly string[]) =>
    names === "all" ? names : list.filter((a) => names.some((n) => a.name.startsWith(n))).map((a) => a.id);
  for (const { name, shown, role, athletes } of PEOPLE) {
    const made = await store.accounts.invite(name, shown, role, ids(athletes));
    if (made) await store.accounts.byCode(name, made.code, DEMO_PASSWORD);
  }
}
