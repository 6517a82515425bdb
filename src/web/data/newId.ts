/** An id of what is made here, 32 hexadecimal digits. `crypto.randomUUID` is there on secure addresses alone. */
export const newId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, "0")).join("");
