/** What this device is, in a word. */
export const deviceName = (otherwise: string): string =>
  /iPhone|iPad|Android|Windows|Macintosh|Linux/.exec(navigator.userAgent)?.[0] ?? otherwise;
