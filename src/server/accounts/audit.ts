/** Who read and who changed what of an athlete: once a day for each account, with how often. */
import type { Need } from "../../api/roles";
import type { IsoDate } from "../../core/dates";
import type { Visitor } from "../http/route";
import type { PhoneStore } from "../store/phone";

/** Needs that touch on somebody's health, access or plan. */
const WATCHED: ReadonlySet<Need> = new Set<Need>([
  "plan.read",
  "plan.change",
  "health.read",
  "health.change",
  "phone.admit",
  "whole",
]);
/** What is seen again within so long is counted with the next write. */
const AGAIN_MS = 300_000;

export class Audit {
  private readonly seen = new Map<string, { at: number; times: number }>();

  constructor(
    private readonly store: PhoneStore,
    private readonly today: () => IsoDate,
  ) {}

  /** Nothing is written of athletes who look at themselves, nor where nobody is asked who they are. */
  async note(need: Need | undefined, { account }: Visitor, athlete: string | null, changed: boolean): Promise<void> {
    if (!account || athlete === null || need === undefined || !WATCHED.has(need) || account.role === "athlete") return;
    const day = this.today();
    const key = [athlete, day, account.id, need, changed].join(" ");
    const known = this.seen.get(key);
    const times = (known?.times ?? 0) + 1;
    if (known && Date.now() - known.at < AGAIN_MS) {
      known.times = times;
      return;
    }
    this.seen.set(key, { at: Date.now(), times: 0 });
    if (this.seen.size > SEEN_MOST)
      for (const old of this.seen.keys()) if (!old.includes(` ${day} `)) this.seen.delete(old);
    await this.store.looked(
      { athleteId: athlete, day, account: account.id, what: need, changed, who: account.shown },
      times,
    );
  }
}

/** Lines that are remembered; those of days before go first. */
const SEEN_MOST = 5_000;
