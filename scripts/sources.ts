/** The project's own sources, for the scripts that read them. */
import { readdirSync } from "node:fs";
import { join } from "node:path";

/** @returns paths of the TypeScript files below a folder, tests and views with them, in the order of their names */
export const filesIn = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((f) =>
    f.isDirectory() ? filesIn(join(folder, f.name)) : /\.tsx?$/.test(f.name) ? [join(folder, f.name)] : [],
  );

/** The same without tests. */
export const sourcesIn = (folder: string): string[] => filesIn(folder).filter((f) => !/\.test\.tsx?$/.test(f));
