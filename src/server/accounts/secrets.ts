/** Passwords, tokens and codes: made, and compared by their hashes. */
import { createHash, randomBytes } from "node:crypto";
import { argon2id, argon2Verify } from "hash-wasm";

/** Work of a password's hash: 19 MiB, two passes, as the OWASP cheat sheet on password storage has it. */
const WORK = { memorySize: 19_456, iterations: 2, parallelism: 1, hashLength: 32 };

export const hashPassword = (password: string): Promise<string> =>
  argon2id({ ...WORK, password: password.normalize("NFKC"), salt: randomBytes(16), outputType: "encoded" });

/** Compared against where there is no such account, so that the time tells nothing. */
let nobody: Promise<string> | null = null;

/** @param hash null where there is no such account, or it has no password */
export async function isPassword(password: string, hash: string | null): Promise<boolean> {
  nobody ??= hashPassword(randomBytes(16).toString("base64url"));
  const same = await argon2Verify({ password: password.normalize("NFKC"), hash: hash ?? (await nobody) });
  return hash !== null && same;
}

export const sha256 = (text: string): string => createHash("sha256").update(text).digest("base64url");

/** A token of a browser: 256 bits. */
export const newToken = (): string => randomBytes(32).toString("base64url");

/** Letters and digits that are not taken for one another. */
const PLAIN = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

/** A code to write down: 16 letters in fours, 79 bits. */
export function newCode(): string {
  // A byte beyond the last whole round of the letters would make some of them likelier: it is thrown again.
  const most = 256 - (256 % PLAIN.length);
  let letters = "";
  while (letters.length < 16) {
    const [byte = 0] = randomBytes(1);
    if (byte < most) letters += PLAIN[byte % PLAIN.length];
  }
  return (letters.match(/.{4}/g) ?? []).join("-");
}

/** As somebody types it: without dashes and spaces, in capitals. */
export const codeHash = (code: string): string => sha256(code.toUpperCase().replace(/[^A-Z0-9]/g, ""));
