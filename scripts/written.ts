import { existsSync, readFileSync, writeFileSync } from "node:fs";

/** Writes a file that is made from the code; with `--check` it only compares. @param command that writes it @returns whether it is fresh */
export function writeOrCheck(file: string, text: string, command: string): boolean {
  if (!process.argv.includes("--check")) writeFileSync(file, text);
  else if (!existsSync(file) || readFileSync(file, "utf8") !== text) {
    console.error(`${file} is stale: npm run ${command} writes it anew.`);
    return false;
  }
  return true;
}
