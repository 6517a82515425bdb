import { useDevices, useSignOutDevice } from "../data/accounts";
import { dayAndYear } from "../format";
import { tell, tellFault } from "../ui/tell";

/** Browsers that are signed in with this account. */
export function Devices() {
  const devices = useDevices(true);
  const out = useSignOutDevice();
  return (
    <section>
      <h2 className="sec-h">Where you are signed in</h2>
      <ul aria-label="Browsers">
        {(devices.data ?? []).map((d) => (
          <li key={d.id} className="flex items-center gap-2 border-b border-hair2 py-1.5">
            <span className="min-w-0 flex-1">
              {d.device}
              <span className="block text-label text-ink2">
                {d.now ? "this browser" : `last here ${dayAndYear(d.seenAt.slice(0, 10))}`}
              </span>
            </span>
            {!d.now && (
              <button
                type="button"
                className="btn btn-sm"
                onClick={() =>
                  out.mutate(d.id, { onSuccess: () => tell("Signed out there."), onError: (e) => tellFault(e.message) })
                }
              >
                Sign out
              </button>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
