/**
 * What the web's files may not hold: sizes of type and colours outside the tokens of app.css, date fields of the browser's own order.
 * A place that needs one is a token more.
 */
import { readFileSync } from "node:fs";
import { join, relative } from "node:path";
import { sourcesIn } from "./sources";

const ROOT = join(import.meta.dirname, "..");
const BANNED: readonly (readonly [RegExp, string])[] = [
  [/text-\[\d/, "a size of type outside the scale: text-note, label, body, lead, title, figure or hero"],
  [/["'`[( ]#[0-9a-fA-F]{3,8}\b(?!["'`]?\))/, "a colour outside the tokens of app.css"],
  [/\brgba?\(/, "a colour outside the tokens of app.css"],
  [/type="date"/, "a date field in the browser's own order: DateField"],
];

let faults = 0;
for (const file of sourcesIn(join(ROOT, "src/web"))) {
  readFileSync(file, "utf8")
    .split("\n")
    .forEach((line, i) => {
      for (const [pattern, what] of BANNED)
        if (pattern.test(line)) {
          faults += 1;
          console.error(`${relative(ROOT, file)}:${i + 1}: ${what}`);
        }
    });
}
if (faults > 0) process.exit(1);
