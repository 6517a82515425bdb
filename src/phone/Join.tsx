/** A phone that is nobody's yet: the code of an invitation makes it one athlete's. */
import { useEffect, useState } from "react";
import { useNavigate } from "react-router";
import { deviceName } from "../web/data/device";
import { join } from "./sync";

/** The code behind the "#" of the link: what stands there never reaches a server's log. */
const codeInAddress = (): string => new URLSearchParams(location.hash.slice(1)).get("code") ?? "";

export default function Join() {
  const [code, setCode] = useState(codeInAddress);
  const [device, setDevice] = useState(() => deviceName("Phone"));
  const [fault, setFault] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const navigate = useNavigate();
  useEffect(() => {
    // The code is used up with the first try; it need not stay in the address.
    if (location.hash) history.replaceState(null, "", location.pathname);
  }, []);
  const send = async () => {
    setBusy(true);
    const why = await join(code.trim(), device.trim() || "Phone");
    setBusy(false);
    setFault(why);
    if (why === null) navigate("/", { replace: true });
  };
  return (
    <main className="mx-auto max-w-[430px] space-y-4 p-5 text-lead">
      <h1 className="text-figure font-[650]">Your plan on this phone</h1>
      <p>
        Your coach gives you an invitation: a link, a picture to photograph, or a code. It lets this phone in, once. You
        need no password.
      </p>
      <form
        className="space-y-3"
        onSubmit={(e) => {
          e.preventDefault();
          void send();
        }}
      >
        <label className="block">
          <span className="text-label font-semibold text-ink2">Code of the invitation</span>
          <input
            className="input h-12 w-full text-lead uppercase"
            value={code}
            autoComplete="off"
            autoCapitalize="characters"
            onChange={(e) => setCode(e.target.value)}
          />
        </label>
        <label className="block">
          <span className="text-label font-semibold text-ink2">Name of this phone</span>
          <input
            className="input h-12 w-full text-lead"
            value={device}
            maxLength={60}
            onChange={(e) => setDevice(e.target.value)}
          />
        </label>
        {fault && (
          <p role="alert" className="text-brick-ink">
            {fault}
          </p>
        )}
        <button
          type="submit"
          disabled={busy || code.trim() === ""}
          className="h-14 w-full rounded-[3px] bg-iron text-title font-semibold text-on-iron disabled:bg-field"
        >
          Use this phone
        </button>
      </form>
      <p className="text-body text-ink2">
        What you log is kept on this phone and sent to your coach. It advises; it does not replace a physician or a
        physiotherapist.
      </p>
    </main>
  );
}
