/** What reading packed files has in common. */

/** Handed over in pieces, so that a small file that grows without end is given up early, bytes. */
const PIECE = 64_000;
export function* pieces(bytes: Uint8Array): Generator<{ piece: Uint8Array; last: boolean; share: number }> {
  for (let at = 0; at < bytes.length; at += PIECE) {
    const end = at + PIECE;
    yield { piece: bytes.subarray(at, end), last: end >= bytes.length, share: Math.min(1, end / bytes.length) };
  }
}

/** More comes out of a packed file than it may hold. */
export class TooLarge extends Error {}

/** The bytes begin as a zip file's do. */
export const isZip = (bytes: Uint8Array): boolean =>
  bytes[0] === 0x50 && bytes[1] === 0x4b && (bytes[2] === 3 || bytes[2] === 5);

export function joined(chunks: readonly Uint8Array[]): Uint8Array {
  const all = new Uint8Array(chunks.reduce((a, c) => a + c.length, 0));
  let at = 0;
  for (const c of chunks) {
    all.set(c, at);
    at += c.length;
  }
  return all;
}
