/** One's own passkeys: a key of the device in place of the password. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { PasskeyOptionsView, PasskeyView } from "../../api/views";
import { ask, del, get } from "../data/api";
import { deviceName } from "../data/device";
import { renew } from "../data/hooks";
import { moment } from "../format";
import { tell, tellFault } from "../ui/tell";
import { whyNoPasskeysHere } from "./passkeysHere";

const KEY = ["passkeys"];

async function addPasskey(): Promise<void> {
  const { startRegistration } = await import("@simplewebauthn/browser");
  const { key, options } = await ask<PasskeyOptionsView>("/session/passkeys/options", {});
  const response = await startRegistration({ optionsJSON: options as never });
  await ask("/session/passkeys", { key, name: deviceName("This device"), response });
}

export function Passkeys() {
  const client = useQueryClient();
  const passkeys = useQuery({ queryKey: KEY, queryFn: () => get<PasskeyView[]>("/session/passkeys") });
  const add = useMutation({ mutationFn: addPasskey, onSuccess: () => renew(client, KEY) });
  const remove = useMutation({
    mutationFn: (id: string) => del(`/session/passkeys/${encodeURIComponent(id)}`),
    onSuccess: () => renew(client, KEY),
  });
  const why = whyNoPasskeysHere();
  return (
    <section aria-label="Passkeys">
      <h2 className="sec-h">Passkeys</h2>
      <ul>
        {passkeys.data?.map((p) => (
          <li key={p.id} className="flex items-center justify-between gap-3 border-b border-hair2 py-1.5">
            <span>
              <b className="font-semibold">{p.name}</b>
              <span className="block text-label text-ink2">
                added {moment(p.madeAt)}
                {p.usedAt ? `, used ${moment(p.usedAt)}` : ""}
              </span>
            </span>
            <button type="button" className="btn btn-sm" onClick={() => remove.mutate(p.id)}>
              Remove
            </button>
          </li>
        ))}
      </ul>
      {why ? (
        <p className="mt-1 text-label text-ink2">{why}</p>
      ) : (
        <button
          type="button"
          className="btn mt-2"
          disabled={add.isPending}
          onClick={() =>
            add.mutate(undefined, {
              onSuccess: () => tell("This device's passkey signs you in from now on."),
              onError: (fault) => tellFault(`No passkey was added: ${fault.message}`),
            })
          }
        >
          Add a passkey of this device
        </button>
      )}
    </section>
  );
}
