import { describe, expect, it } from "vitest";
import { isCommon } from "./passwords";

describe("passwords that are tried first", () => {
  it.each([
    "password1234",
    "Password-1234",
    "iloveyou 1234",
    "aaaaaaaaaaaa",
    "abcabcabcabc",
    "pass12pass12",
    "123456789012",
    "qwertyuiopasdf",
    "098765432100",
    "abcdefghijkl",
    "fieldanchor123",
  ])("%s is one", (password) => expect(isCommon(password)).toBe(true));

  it.each(["oars over quiet water", "saltmarsh at dawn", "a long enough one", "Zr7!kd0-pq2m", "wet slate & heather"])(
    "%s is none",
    (password) => expect(isCommon(password)).toBe(false),
  );
});
