/** How much of the processor's time goes into plans, from the numbers that servers and workers serve; a process that was killed begins again at nothing. */

const EVERY_MS = 3000;

interface Read {
  planS: number;
  cpuS: number;
}

/** @returns null where nobody answers */
export async function read(port: number): Promise<Read | null> {
  try {
    const text = await (await fetch(`http://127.0.0.1:${port}/metrics`)).text();
    const sum = (name: string) =>
      [...text.matchAll(new RegExp(`^${name}(?:\\{[^}]*\\})? ([\\d.e+-]+)$`, "gm"))].reduce(
        (a, m) => a + Number(m[1]),
        0,
      );
    return { planS: sum("field_anchor_plan_seconds_sum"), cpuS: sum("process_cpu_seconds_total") };
  } catch {
    return null;
  }
}

export class PlanShare {
  private readonly last = new Map<number, Read>();
  private readonly total: Read = { planS: 0, cpuS: 0 };
  private timer: NodeJS.Timeout | null = null;

  constructor(private readonly ports: readonly number[]) {}

  start(): void {
    void this.look(true);
    this.timer = setInterval(() => void this.look(false), EVERY_MS);
  }

  private async look(first: boolean): Promise<void> {
    for (const port of this.ports) {
      const now = await read(port);
      if (!now) continue;
      const before = this.last.get(port);
      this.last.set(port, now);
      if (first || !before) continue;
      const begun = now.cpuS < before.cpuS;
      this.total.planS += now.planS - (begun ? 0 : before.planS);
      this.total.cpuS += now.cpuS - (begun ? 0 : before.cpuS);
    }
  }

  async stop(): Promise<Read> {
    if (this.timer) clearInterval(this.timer);
    await this.look(false);
    return this.total;
  }
}
