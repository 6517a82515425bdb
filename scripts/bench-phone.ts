/** The athlete's phone: what its floor loads first, and how long Today takes to open without network. */
import { readdirSync, readFileSync } from "node:fs";
import { join } from "node:path";
import { gzipSync } from "node:zlib";
import { AthletePhone, Line } from "../tests/support/athletePhone";

const WEB = "dist/phone";

/** JavaScript that logging a set needs: the entry, the floor, and everything they import at once, gzip kB. */
export function phoneFloorKb(): number {
  const seen = new Set<string>();
  const visit = (file: string): number => {
    if (seen.has(file)) return 0;
    seen.add(file);
    const code = readFileSync(join(WEB, file));
    const now = [...code.toString().matchAll(/(?:from|import)\s*"\.\/([^"]+\.js)"/g)].map((m) => `assets/${m[1]}`);
    return gzipSync(code).length / 1024 + now.reduce((a, f) => a + visit(f), 0);
  };
  const page = readFileSync(join(WEB, "phone.html"), "utf8");
  const entries = [...page.matchAll(/(?:src|href)="\/p\/(assets\/[^"]+\.js)"/g)].map((m) => m[1] ?? "");
  const floor = readdirSync(join(WEB, "assets")).filter((f) => /^floor-.*\.js$/.test(f));
  return [...entries, ...floor.map((f) => `assets/${f}`)].reduce((a, f) => a + visit(f), 0);
}

const post = (address: string, method: string, path: string, body: unknown): Promise<Response> =>
  fetch(`${address}/api${path}`, {
    method,
    headers: { "Content-Type": "application/json" },
    body: JSON.stringify(body),
  });

/** A browser that was closed is opened without network. @returns ms until Today stands, each time */
export async function todayOffline(address: string, athlete: string, today: string, folder: string): Promise<number[]> {
  const line = await Line.to(Number(new URL(address).port));
  const phone = new AthletePhone(join(folder, "bench-phone"), line);
  await post(address, "PUT", `/athletes/${athlete}/published/${today}`, { note: "" });
  const invited = await post(address, "POST", `/athletes/${athlete}/phone/invitations`, {});
  const { code } = (await invited.json()) as { code: string };
  const page = await phone.open(`/join#code=${code}`);
  await page.getByRole("button", { name: "Use this phone" }).click();
  await page.getByRole("navigation", { name: "Main" }).waitFor();
  await phone.kept();
  await line.cut();
  const times: number[] = [];
  for (let i = 0; i < 5; i++) {
    await phone.close();
    await phone.open("/me");
    const begin = performance.now();
    await phone.page.goto(`${line.base}/p/`, { waitUntil: "commit" });
    await phone.page.getByRole("heading", { level: 1 }).waitFor();
    times.push(performance.now() - begin);
  }
  await phone.close();
  return times;
}
