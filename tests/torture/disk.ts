/** What a power cut leaves of a folder, made from the shim's log: what was synced stays, everything else stays, goes or is torn by chance. */
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from "node:fs";
import { dirname, join } from "node:path";

export type Random = () => number;

interface Op {
  kind: "W" | "T" | "S" | "D" | "C" | "U" | "R";
  path: string;
  at: number;
  data: Buffer;
}

/** Reads the log; a record that was cut off at its end is left out. */
export function readLog(file: string): Op[] {
  if (!existsSync(file)) return [];
  const bytes = readFileSync(file);
  const ops: Op[] = [];
  for (let i = 0; i + 5 <= bytes.length; ) {
    const length = bytes.readUInt32LE(i + 1);
    const head = i + 5 + length;
    if (head + 12 > bytes.length) break;
    const n = bytes.readUInt32LE(head + 8);
    if (head + 12 + n > bytes.length) break;
    ops.push({
      kind: String.fromCharCode(bytes[i] ?? 0) as Op["kind"],
      path: bytes.toString("utf8", i + 5, head),
      at: Number(bytes.readBigInt64LE(head)),
      data: bytes.subarray(head + 12, head + 12 + n),
    });
    i = head + 12 + n;
  }
  return ops;
}

/** A file's contents apart from its name. */
class Inode {
  /** Changes not synced yet, in order. */
  pending: { at: number; data: Buffer; size: number | null }[] = [];
  constructor(public durable: Buffer) {}

  static apply(to: Buffer, at: number, data: Buffer): Buffer {
    const out =
      to.length >= at + data.length ? Buffer.from(to) : Buffer.concat([to, Buffer.alloc(at + data.length - to.length)]);
    data.copy(out, at);
    return out;
  }

  sync(): void {
    for (const p of this.pending)
      this.durable = p.size === null ? Inode.apply(this.durable, p.at, p.data) : Inode.resized(this.durable, p.size);
    this.pending = [];
  }

  static resized(to: Buffer, size: number): Buffer {
    return size <= to.length ? Buffer.from(to.subarray(0, size)) : Buffer.concat([to, Buffer.alloc(size - to.length)]);
  }

  /** What is on the disk after the cut: every change that was not synced is there, is not, or is there in some of its sectors. */
  afterCut(random: Random): Buffer {
    let out = this.durable;
    for (const p of this.pending) {
      const luck = random();
      if (luck < 0.4) continue;
      if (p.size !== null) out = Inode.resized(out, p.size);
      else if (luck < 0.8) out = Inode.apply(out, p.at, p.data);
      else
        for (let s = 0; s < p.data.length; s += SECTOR)
          if (random() < 0.5) out = Inode.apply(out, p.at + s, p.data.subarray(s, s + SECTOR));
    }
    return out;
  }
}

const SECTOR = 512;

const filesIn = (folder: string): string[] =>
  existsSync(folder)
    ? readdirSync(folder).flatMap((n) => {
        const path = join(folder, n);
        const s = statSync(path, { throwIfNoEntry: false });
        return s?.isDirectory() ? filesIn(path) : s?.isFile() ? [path] : [];
      })
    : [];

/** A folder as it stood, by path. */
export const photograph = (folder: string): Map<string, Buffer> =>
  new Map(
    filesIn(folder)
      .filter((f) => !f.endsWith("-shm"))
      .map((f) => [f, readFileSync(f)]),
  );

/**
 * Puts a folder into the state after a power cut.
 * @param before what stood there, safe on the disk, when the process began
 */
export function cutPower(folder: string, before: ReadonlyMap<string, Buffer>, log: string, random: Random): void {
  const names = new Map([...before].map(([path, data]) => [path, new Inode(data)]));
  const durableNames = new Map(names);
  /** Changes of names by folder since it was synced. */
  const waiting = new Map<string, ((to: Map<string, Inode>) => void)[]>();
  const named = (path: string, change: (to: Map<string, Inode>) => void) => {
    change(names);
    waiting.set(dirname(path), [...(waiting.get(dirname(path)) ?? []), change]);
  };
  for (const op of readLog(log)) {
    const inode = names.get(op.path);
    if (op.kind === "C" && !inode) {
      const made = new Inode(Buffer.alloc(0));
      named(op.path, (to) => to.set(op.path, made));
    } else if (op.kind === "W") inode?.pending.push({ at: op.at, data: Buffer.from(op.data), size: null });
    else if (op.kind === "T") inode?.pending.push({ at: 0, data: Buffer.alloc(0), size: op.at });
    else if (op.kind === "S") inode?.sync();
    else if (op.kind === "U") named(op.path, (to) => to.delete(op.path));
    else if (op.kind === "R" && inode) {
      const to = op.data.toString("utf8");
      named(op.path, (map) => {
        map.delete(op.path);
        map.set(to, inode);
      });
    } else if (op.kind === "D") {
      for (const change of waiting.get(op.path) ?? []) change(durableNames);
      waiting.set(op.path, []);
    }
  }
  // Names come to the disk in order: of those that were not synced, the first few by chance.
  for (const changes of waiting.values())
    for (const change of changes.slice(0, Math.floor(random() * (changes.length + 1)))) change(durableNames);
  rmSync(folder, { recursive: true, force: true });
  mkdirSync(folder, { recursive: true });
  for (const [path, inode] of durableNames) {
    mkdirSync(dirname(path), { recursive: true });
    writeFileSync(path, inode.afterCut(random));
  }
}
