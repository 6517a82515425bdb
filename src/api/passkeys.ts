/** Where a browser knows passkeys: on a name, over TLS or on this machine. */

/** @returns why not there; null where it does */
export function whyNoPasskeys({ hostname, protocol }: Pick<URL, "hostname" | "protocol">): string | null {
  if (hostname === "localhost") return null;
  if (/^[\d.]+$|^\[/.test(hostname)) return "Passkeys need a name: this address is a number.";
  return protocol === "https:" ? null : "Passkeys need an encrypted address.";
}
