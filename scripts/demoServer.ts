/** The demo club on a day and port of its own, made anew, for scripts that look at it. */
import { type ChildProcess, spawn } from "node:child_process";

interface Asked {
  port: number;
  today: string;
  /** Folder of its data; what lies there goes. */
  data: string;
}

/** @throws where it does not answer within a minute */
export async function demoServer({ port, today, data }: Asked): Promise<{ address: string; server: ChildProcess }> {
  const address = `http://127.0.0.1:${port}`;
  const server = spawn(process.execPath, ["dist/server/demo.js", "--reset"], {
    env: {
      ...process.env,
      PORT: String(port),
      FIELD_ANCHOR_TODAY: today,
      FIELD_ANCHOR_DATA: data,
      LOG_LEVEL: "error",
    },
    stdio: ["ignore", "ignore", "inherit"],
  });
  for (let i = 0; i < 300; i++) {
    const up = await fetch(`${address}/api/health`).then(
      (r) => r.ok,
      () => false,
    );
    if (up) return { address, server };
    await new Promise((r) => setTimeout(r, 200));
  }
  server.kill();
  throw new Error(`${address} did not answer`);
}
