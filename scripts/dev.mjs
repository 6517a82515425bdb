/** `npm run dev`: the demo server on 4173, restarted with its sources, and Vite with hot reload before it. */
import { spawn } from "node:child_process";
import { ensureInstalled, follow, ROOT, tool } from "./lib.mjs";

ensureInstalled();
const server = spawn(tool("tsx"), ["watch", "src/demo/main.ts"], {
  cwd: ROOT,
  stdio: "inherit",
  env: { LOG_LEVEL: "warn", ...process.env },
});
process.on("exit", () => server.kill());
follow(tool("vite"), []);
