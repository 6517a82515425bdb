/** One session of a usual week in words and figures. */
import {
  SESSION_KINDS,
  SESSION_SPORTS,
  type SessionKind,
  type SessionSport,
  type UsualSession,
} from "../../core/athlete";
import { WEEKDAY_NAMES } from "../../core/dates";
import { isKey } from "../../core/endurance";
import { roundTo } from "../../core/units";
import { SPORT_NAMES } from "../format";
import { useUnits } from "../frame/current";
import { compact, massFrom, massText, numberFrom } from "../ui/form";
import { ICON } from "../ui/glyphs";
import { TimeField } from "../ui/TimeField";

export function UsualForm({
  session: s,
  onChange,
  onShare,
  onCopy,
  onRemove,
}: {
  session: UsualSession;
  onChange: (s: UsualSession) => void;
  onShare: (share: number) => void;
  onCopy: () => void;
  onRemove: () => void;
}) {
  const { massUnit } = useUnits();
  const number = (name: "minutes" | "rpe" | "ascentM" | "packKg", label: string) => (
    <label className="block text-label">
      {label}
      <input
        key={`${s.id}${name}${s[name] ?? ""}${massUnit}`}
        className="input"
        inputMode="decimal"
        defaultValue={name === "packKg" ? massText(s.packKg, massUnit) : (s[name] ?? "")}
        onBlur={(e) => {
          const n = name === "packKg" ? massFrom(e.target.value, massUnit, s.packKg) : numberFrom(e.target.value);
          if (n === s[name] || typeof n === "string") return;
          onChange(compact({ ...s, [name]: n }) as unknown as UsualSession);
        }}
      />
    </label>
  );
  const shared = s.share !== undefined;
  return (
    <div className="sec space-y-2">
      <h2 className="sec-h">
        {WEEKDAY_NAMES[s.day - 1]} {s.start ?? ""}
      </h2>
      <div className="grid grid-cols-2 gap-2">
        <label className="block text-label">
          Day
          <select className="input" value={s.day} onChange={(e) => onChange({ ...s, day: Number(e.target.value) })}>
            {WEEKDAY_NAMES.map((d, i) => (
              <option key={d} value={i + 1}>
                {d}
              </option>
            ))}
          </select>
        </label>
        <label className="block text-label" htmlFor={`usual-start-${s.id}`}>
          Starts
          <TimeField
            id={`usual-start-${s.id}`}
            value={s.start ?? ""}
            onChange={(start) => start && onChange({ ...s, start })}
          />
        </label>
        <Choices s={s} onChange={onChange} shared={shared} />
        {shared ? (
          <label className="block text-label">
            Of the week, %
            <input
              key={`${s.id}${s.share}`}
              className="input"
              inputMode="decimal"
              defaultValue={roundTo((s.share ?? 0) * 100, 1)}
              onBlur={(e) => {
                const n = numberFrom(e.target.value);
                if (typeof n === "number" && n > 0 && Math.abs(n / 100 - (s.share ?? 0)) > 0.0005) onShare(n / 100);
              }}
            />
          </label>
        ) : (
          number("minutes", "Minutes")
        )}
        {number("rpe", "Effort (RPE), 0 to 10")}
        {(s.sport === "hike" || s.ascentM !== undefined) && number("ascentM", "Ascent, m an hour")}
        {s.sport === "hike" && number("packKg", `Pack, ${massUnit}`)}
      </div>
      <label className="flex items-center gap-2 text-label">
        <input type="checkbox" checked={isKey(s)} onChange={(e) => onChange({ ...s, key: e.target.checked })} />
        Key session
      </label>
      <div className="flex gap-1">
        <button type="button" className="btn btn-sm" onClick={onCopy}>
          Copy to the next day
        </button>
        <button type="button" className="btn btn-sm" onClick={onRemove}>
          {ICON.bin} Remove
        </button>
      </div>
    </div>
  );
}

interface ChoicesProps {
  s: UsualSession;
  onChange: (s: UsualSession) => void;
  shared: boolean;
}

function Choices({ s, onChange, shared }: ChoicesProps) {
  return (
    <>
      <label className="block text-label">
        Sport
        <select
          className="input"
          value={s.sport}
          onChange={(e) => onChange({ ...s, sport: e.target.value as SessionSport })}
        >
          {SESSION_SPORTS.map((x) => (
            <option key={x} value={x}>
              {SPORT_NAMES[x]}
            </option>
          ))}
        </select>
      </label>
      <label className="block text-label">
        Kind
        <select
          className="input"
          value={s.kind}
          onChange={(e) => onChange({ ...s, kind: e.target.value as SessionKind })}
        >
          {SESSION_KINDS.filter((k) => k !== "race").map((k) => (
            <option key={k}>{k}</option>
          ))}
        </select>
      </label>
      <label className="block text-label">
        Length
        <select
          className="input"
          value={shared ? "share" : "minutes"}
          onChange={(e) => {
            const { share: _, minutes: __, ...rest } = s;
            onChange(e.target.value === "share" ? { ...rest, share: 0.15 } : { ...rest, minutes: 45 });
          }}
        >
          <option value="share">part of the week</option>
          <option value="minutes">fixed minutes</option>
        </select>
      </label>
    </>
  );
}
