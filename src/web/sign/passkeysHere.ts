/** Whether a browser knows passkeys at this address, as the server sees it too. @returns why not; null where it does */
export function whyNoPasskeysHere(): string | null {
  if (!("PublicKeyCredential" in window)) return "This browser knows no passkeys.";
  const { hostname, protocol } = location;
  if (hostname === "localhost") return null;
  if (/^[\d.]+$|^\[/.test(hostname)) return "Passkeys need a name: this address is a number.";
  return protocol === "https:" ? null : "Passkeys need an encrypted address.";
}
