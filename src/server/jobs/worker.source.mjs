// A worker thread from the source, for development and tests: Node 20 does not hand tsx on to threads by itself.
import { register } from "tsx/esm/api";

register();
await import("./worker.ts");
