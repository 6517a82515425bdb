/** Hatches, soils and rock as SVG patterns. `prefix` keeps several drawings on one page apart. */
import { BAND_STYLE, BANDS, type BandId, STRATA } from "./patterns";

const angled: Partial<Record<BandId, string>> = {
  H: "rotate(45)",
  T: "rotate(45)",
  U: "rotate(-45)",
  J: "rotate(-60)",
};

function Hatch({ id, name, size, plan }: { id: BandId; name: string; size: number; plan: boolean }) {
  const s = BAND_STYLE[id];
  const lw = size > 4.5 ? 1 : 0.9;
  return (
    <pattern id={name} width={size} height={size} patternUnits="userSpaceOnUse" patternTransform={angled[id]}>
      <rect width={size} height={size} fill={plan ? s.plan : s.done} />
      {id === "H" && <rect width={lw * 1.25} height={size} fill={s.line} />}
      {id === "L" && <rect x={size / 2 - lw / 2} width={lw} height={size} fill={s.line} />}
      {id === "P" && <circle cx={size / 2} cy={size / 2} r={lw * 0.95} fill={s.line} />}
      {id === "C" && <rect y={size / 2 - lw / 2} width={size} height={lw} fill={s.line} />}
      {id === "T" && (
        <>
          <rect width={lw * 0.7} height={size} fill={s.line} />
          <rect width={size} height={lw * 0.7} fill={s.line} />
        </>
      )}
      {id === "U" && <rect width={lw * 0.8} height={size} fill={s.line} />}
      {id === "J" && <rect width={lw * 2} height={size / 2} fill={s.line} />}
      {id === "M" && (
        <path
          d={`M0 ${size / 2}q${size / 4} -${size / 4} ${size / 2} 0t${size / 2} 0`}
          stroke={s.line}
          strokeWidth={0.7}
          fill="none"
        />
      )}
    </pattern>
  );
}

export function Defs({ prefix, size = 5 }: { prefix: string; size?: number }) {
  return (
    <defs>
      {BANDS.map((id) => (
        <Hatch key={id} id={id} name={`${prefix}${id}d`} size={size} plan={false} />
      ))}
      {BANDS.map((id) => (
        <Hatch key={id} id={id} name={`${prefix}${id}p`} size={size} plan />
      ))}
      <pattern id={`${prefix}base`} width="28" height="16" patternUnits="userSpaceOnUse">
        <path d="M3 4.5h7M17 12.5h7" stroke={STRATA.base.mark} opacity=".34" />
      </pattern>
      <pattern id={`${prefix}build`} width="16" height="16" patternUnits="userSpaceOnUse">
        <circle cx="3" cy="3" r=".8" fill={STRATA.build.mark} opacity=".5" />
        <circle cx="11" cy="11" r=".8" fill={STRATA.build.mark} opacity=".5" />
      </pattern>
      <pattern id={`${prefix}race`} width="16" height="16" patternUnits="userSpaceOnUse">
        <path d="M2 6l4-4M10 14l4-4" stroke={STRATA.race.mark} opacity=".4" />
      </pattern>
      <pattern id={`${prefix}recovery`} width="24" height="16" patternUnits="userSpaceOnUse">
        <path d="M2 5q2-2.4 4 0t4 0M14 13q2-2.4 4 0t4 0" stroke={STRATA.recovery.mark} opacity=".45" fill="none" />
      </pattern>
      <pattern id={`${prefix}rock`} width="9" height="9" patternUnits="userSpaceOnUse" patternTransform="rotate(-45)">
        <rect width="1" height="9" fill="var(--color-ground)" opacity=".16" />
      </pattern>
    </defs>
  );
}
