/** Passwords that whoever guesses tries first, although they are long enough. */

/** Of twelve letters or more, as lists of leaked ones have them again and again; value from memory. */
const KNOWN: ReadonlySet<string> = new Set([
  "password1234",
  "password12345",
  "password123456",
  "passwordpassword",
  "passw0rd1234",
  "mypassword123",
  "iloveyou1234",
  "iloveyou12345",
  "letmein12345",
  "letmein123456",
  "welcome12345",
  "welcome123456",
  "changeme1234",
  "changeme12345",
  "administrator",
  "administrator1",
  "admin1234567",
  "admin12345678",
  "qwerty123456",
  "qwerty1234567",
  "qwertyuiop12",
  "qwertyuiop123",
  "qwerty123qwerty",
  "1q2w3e4r5t6y",
  "1qaz2wsx3edc",
  "1qaz2wsx3edc4rfv",
  "q1w2e3r4t5y6",
  "zaq12wsxcde3",
  "abc123456789",
  "abcd12345678",
  "a1b2c3d4e5f6",
  "football1234",
  "baseball1234",
  "superman1234",
  "sunshine1234",
  "princess1234",
  "michael12345",
  "monkey123456",
  "dragon123456",
  "master123456",
  "shadow123456",
  "trustno1trustno1",
  "correcthorsebatterystaple",
  "thisisapassword",
  "secretpassword",
  "fieldanchor12",
  "fieldanchor123",
]);
/** Rows in which hands walk: of keys, letters and digits. */
const ROWS: readonly string[] = ["abcdefghijklmnopqrstuvwxyz", "01234567890", "qwertyuiop", "asdfghjkl", "zxcvbnm"];
/** A block of so many letters, said over and over, is one block. */
const BLOCK = 6;
/** Letters of a walk along a row. */
const WALK = 4;

const plain = (password: string): string =>
  password
    .normalize("NFKC")
    .toLowerCase()
    .replace(/[\s._-]/g, "");

/** Whether a text is a short block over and over. */
function isOneBlock(text: string): boolean {
  for (let n = 1; n <= BLOCK; n++)
    if (
      text.length > n &&
      text ===
        text
          .slice(0, n)
          .repeat(Math.ceil(text.length / n))
          .slice(0, text.length)
    )
      return true;
  return false;
}

/** Letters that are no step of a walk along a row, there or back. */
function withoutWalks(text: string): string {
  let rest = "";
  for (let at = 0; at < text.length; ) {
    let long = 0;
    for (const row of [...ROWS, ...ROWS.map((r) => [...r].reverse().join(""))])
      for (let n = text.length - at; n >= WALK && n > long; n--) if (row.includes(text.slice(at, at + n))) long = n;
    if (long === 0) rest += text[at];
    at += Math.max(1, long);
  }
  return rest;
}

/** Letters that have to be left of a password once walks along keys are taken out of it. */
const OWN_LETTERS = 4;

/** @returns whether it is among the first that somebody would try */
export function isCommon(password: string): boolean {
  const text = plain(password);
  return KNOWN.has(text) || isOneBlock(text) || withoutWalks(text).length < OWN_LETTERS;
}
