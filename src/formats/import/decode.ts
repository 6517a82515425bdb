/** Bytes of a foreign file into text, with a clear word where that cannot be. */
import type { Read } from "../athlete-file";

/** Largest file that is read, bytes. */
export const MOST_BYTES = 25 * 1024 * 1024;

const refuse = (expected: string): { ok: false; faults: { path: string; expected: string }[] } => ({
  ok: false,
  faults: [{ path: "(file)", expected }],
});

/**
 * UTF-8, UTF-16 with a byte order mark, or (for tables, as spreadsheets still write it) Windows-1252.
 * @param latin whether bytes that are no UTF-8 may be read as Windows-1252
 */
export function decodeText(bytes: Uint8Array, latin: boolean): Read<string> {
  if (bytes.length === 0) return refuse("The file is empty.");
  if (bytes.length > MOST_BYTES)
    return refuse(
      `A file of at most ${MOST_BYTES / 1024 / 1024} MB expected, found ${Math.round(bytes.length / 1024 / 1024)} MB. Export a shorter span of time.`,
    );
  const [a, b] = bytes;
  const wide = a === 0xff && b === 0xfe ? "utf-16le" : a === 0xfe && b === 0xff ? "utf-16be" : null;
  try {
    const text = new TextDecoder(wide ?? "utf-8", { fatal: true }).decode(bytes);
    if (text.includes("\u0000")) return refuse("A text file expected, found binary data.");
    return { ok: true, value: text };
  } catch {
    if (wide) return refuse("The file says it is UTF-16, but it is not; it may be cut off.");
    const control = bytes.subarray(0, 4096).some((c) => c < 9 || (c > 13 && c < 32));
    if (control) return refuse("A text file expected, found binary data.");
    if (!latin) return refuse("Text in UTF-8 expected; some bytes of the file are not. Export it again as UTF-8.");
    return { ok: true, value: new TextDecoder("windows-1252").decode(bytes) };
  }
}
