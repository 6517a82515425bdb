/** Reads one recording in a worker that ends with it. */
import { wrap } from "comlink";
import type { ImportWorker } from "../worker/import.worker";

export async function readRecording(file: File) {
  const worker = new Worker(new URL("../worker/import.worker.ts", import.meta.url), { type: "module" });
  try {
    return await wrap<ImportWorker>(worker).splits(file.name, new Uint8Array(await file.arrayBuffer()));
  } finally {
    worker.terminate();
  }
}
