/** Me: trouble, free time, units, signals, this phone and others, who looked. */

import { useEffect, useState } from "react";
import type { AccessLogView, DeviceView } from "../api/views";
import { AREA_WORDS, AREAS, type Area, SIDES, type Side } from "../core/athlete";
import { newId } from "../web/data/newId";
import { chooseSignal, signalChoice, signalRestOver } from "../web/floor/signal";
import { day, moment } from "../web/format";
import { chooseTheme, THEME_CHOICES, THEME_WORDS, useThemeChoice } from "../web/frame/theme";
import { Segments } from "../web/ui/Segments";
import { tell, tellFault } from "../web/ui/tell";
import { Card, Head } from "./Shell";
import { act, ask, athleteId, leave } from "./sync";
import { chooseUnits, unitsOf, usePhone } from "./usePhone";

export default function MeView() {
  const { screen } = usePhone();
  if (!screen) return null;
  return (
    <main>
      <Head title={screen.name} note={screen.club} />
      <div className="space-y-3 p-4">
        <Trouble />
        <Card title="Free time your coach plans with">
          <ul>
            {screen.free.map((f) => (
              <li key={f} className="border-t border-hair2 py-1 first:border-t-0">
                {f}
              </li>
            ))}
          </ul>
          <p className="mt-1 text-body text-ink2">Has it changed? Write to your coach under Talk.</p>
        </Card>
        <Choices />
        <Devices />
        <Looked />
        <Card title="This phone">
          <Installed />
          <p className="mb-2 text-body text-ink2">
            Taking your plan off this phone deletes everything that is kept here, what waits to be sent too.
          </p>
          <Leave />
        </Card>
      </div>
    </main>
  );
}

function Trouble() {
  const [open, setOpen] = useState(false);
  const [area, setArea] = useState<Area>("knee-front");
  const [side, setSide] = useState<Side>("left");
  const [level, setLevel] = useState(3);
  const [text, setText] = useState("");
  const send = async () => {
    const id = newId();
    try {
      await act("POST", "phone/troubles", { id, area, side, level, text: text.trim() }, id);
      setOpen(false);
      setText("");
      tell("Kept. Your coach is told.");
    } catch {
      tellFault("Not saved: this phone could not keep it.");
    }
  };
  if (!open)
    return (
      <button type="button" className="btn min-h-12 w-full justify-center" onClick={() => setOpen(true)}>
        Something hurts: tell your coach
      </button>
    );
  return (
    <Card title="Something hurts">
      <p className="mb-2 text-body">
        Your plan changes when your coach has seen it. Sharp, spreading or night pain, numbness, or pain that keeps you
        from walking: see a physician.
      </p>
      <div className="grid grid-cols-2 gap-2">
        <label className="block">
          <span className="text-label text-ink2">Where</span>
          <select className="input h-12 w-full" value={area} onChange={(e) => setArea(e.target.value as Area)}>
            {AREAS.map((a) => (
              <option key={a} value={a}>
                {AREA_WORDS[a]}
              </option>
            ))}
          </select>
        </label>
        <label className="block">
          <span className="text-label text-ink2">Side</span>
          <select className="input h-12 w-full" value={side} onChange={(e) => setSide(e.target.value as Side)}>
            {SIDES.map((s) => (
              <option key={s} value={s}>
                {s}
              </option>
            ))}
          </select>
        </label>
      </div>
      <label className="mt-2 block">
        <span className="text-label text-ink2">How much, {level} of 10</span>
        <input
          type="range"
          min={1}
          max={10}
          value={level}
          className="h-11 w-full accent-iron"
          onChange={(e) => setLevel(Number(e.target.value))}
        />
      </label>
      <label className="block">
        <span className="text-label text-ink2">Since when, and with what</span>
        <textarea
          className="input min-h-20 w-full p-2"
          maxLength={1000}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <div className="mt-2 flex gap-2">
        <button type="button" className="btn min-h-12 flex-1 justify-center" onClick={() => setOpen(false)}>
          Not now
        </button>
        <button type="button" className="btn btn-pri min-h-12 flex-1 justify-center" onClick={() => void send()}>
          Tell your coach
        </button>
      </div>
    </Card>
  );
}

function Choices() {
  const { screen } = usePhone();
  const [signal, setSignal] = useState(signalChoice);
  const [, again] = useState(0);
  const theme = useThemeChoice();
  if (!screen) return null;
  const units = unitsOf(screen);
  const pick = (next: typeof signal) => {
    setSignal(next);
    chooseSignal(next);
    signalRestOver();
  };
  const row = "flex min-h-11 items-center justify-between gap-3";
  return (
    <Card title="On this phone">
      <div className={row}>
        <span>Loads in</span>
        <Segments
          name="Loads in"
          options={[
            ["kg", "kg"],
            ["lb", "lb"],
          ]}
          value={units.massUnit}
          onChange={(massUnit) => {
            chooseUnits({ ...units, massUnit });
            again((n) => n + 1);
          }}
        />
      </div>
      <div className={row}>
        <span>Colours</span>
        <Segments
          name="Colours"
          options={THEME_CHOICES.map((c) => [c, THEME_WORDS[c]] as const)}
          value={theme}
          onChange={chooseTheme}
        />
      </div>
      <label className={row}>
        <span>Sound when a rest is over</span>
        <input
          type="checkbox"
          className="h-6 w-6 accent-iron"
          checked={signal.sound}
          onChange={(e) => pick({ ...signal, sound: e.target.checked })}
        />
      </label>
      <label className={row}>
        <span>Vibration when a rest is over</span>
        <input
          type="checkbox"
          className="h-6 w-6 accent-iron"
          checked={signal.vibration}
          onChange={(e) => pick({ ...signal, vibration: e.target.checked })}
        />
      </label>
    </Card>
  );
}

/** Read from the server: without network there is nothing to say. */
function useAsked<T>(path: string): { value: T | null; again: () => void } {
  const [value, setValue] = useState<T | null>(null);
  const [n, setN] = useState(0);
  useEffect(() => {
    let asked = true;
    ask(`/athletes/${athleteId()}${path}`)
      .then(async (r) => asked && r.ok && setValue((await r.json()) as T))
      .catch(() => undefined);
    return () => {
      asked = false;
    };
  }, [path, n]);
  return { value, again: () => setN((x) => x + 1) };
}

function Devices() {
  const { value, again } = useAsked<DeviceView[]>("/phone/devices");
  const out = (id: string) =>
    ask(`/athletes/${athleteId()}/phone/devices/${id}`, { method: "DELETE" }).then(again, () =>
      tellFault("There is no network."),
    );
  return (
    <Card title="Your phones">
      {!value && <p className="text-body text-ink2">Shown when there is network.</p>}
      <ul>
        {value?.map((d) => (
          <li
            key={d.id}
            className="flex min-h-11 items-center justify-between gap-3 border-t border-hair2 first:border-t-0"
          >
            <span>
              {d.device}
              {d.now ? ", this one" : ""}
              <span className="block text-label text-ink2">last heard {moment(d.seenAt)}</span>
            </span>
            {!d.now && (
              <button type="button" className="link min-h-11" onClick={() => void out(d.id)}>
                Sign out
              </button>
            )}
          </li>
        ))}
      </ul>
    </Card>
  );
}

function Looked() {
  const { value } = useAsked<AccessLogView>("/access");
  if (!value || value.length === 0) return null;
  return (
    <details className="rounded-[3px] border border-hair bg-panel px-3.5">
      <summary className="flex min-h-12 cursor-pointer items-center font-semibold">
        Who looked at your plan and health
      </summary>
      <ul className="pb-2 text-body">
        {value.map((l) => (
          <li key={`${l.day}${l.who}${l.what}${l.changed}`} className="border-t border-hair2 py-1">
            {day(l.day)}: {l.who} {l.changed ? "changed" : "read"} {l.what}
          </li>
        ))}
      </ul>
    </details>
  );
}

/** Whether the application is kept on the phone, so that it opens without network; and a newer version that waits. */
function Installed() {
  const [state, setState] = useState<"asking" | "kept" | "newer" | "none">("asking");
  useEffect(() => {
    if (!("serviceWorker" in navigator)) return setState("none");
    void navigator.serviceWorker.ready.then((r) => setState(r.waiting ? "newer" : "kept"));
  }, []);
  const renew = async () => {
    const registration = await navigator.serviceWorker.ready;
    navigator.serviceWorker.addEventListener("controllerchange", () => location.reload());
    registration.waiting?.postMessage({ type: "SKIP_WAITING" });
  };
  return (
    <div className="mb-2">
      <p>
        {state === "kept" || state === "newer"
          ? "Opens without network."
          : state === "none"
            ? "Needs network to open: this address is not one that a browser keeps. What you log is kept all the same."
            : "Is being put on this phone…"}
      </p>
      {state === "newer" && (
        <button type="button" className="btn mt-1 min-h-11" onClick={() => void renew()}>
          Use the newer version
        </button>
      )}
    </div>
  );
}

function Leave() {
  const [sure, setSure] = useState(false);
  const { waiting } = usePhone();
  if (!sure)
    return (
      <button type="button" className="btn min-h-11" onClick={() => setSure(true)}>
        Take my plan off this phone
      </button>
    );
  return (
    <div className="space-y-2">
      {waiting !== "" && <p className="text-brick-ink">{waiting} would be lost.</p>}
      <div className="flex gap-2">
        <button type="button" className="btn min-h-11 flex-1 justify-center" onClick={() => setSure(false)}>
          Keep it
        </button>
        <button
          type="button"
          className="btn min-h-11 flex-1 justify-center text-brick-ink"
          onClick={() => void leave()}
        >
          Take it off
        </button>
      </div>
    </div>
  );
}
