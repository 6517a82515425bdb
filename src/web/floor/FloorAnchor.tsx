import type { ItemView, SessionView } from "../../api/views";
import type { StrengthLog } from "../../core/athlete";
import { Defs } from "../section/Defs";
import { anchorShape } from "../section/layout/common";
import { Anchor } from "../section/parts";
import { bandOf, bandSets } from "../section/patterns";
import { doneRows, rowsOf } from "./progress";

/** The session as an anchor that fills as sets are done. */
export function FloorAnchor({ view, log, current }: { view: SessionView; log: StrengthLog; current: ItemView }) {
  const bands = bandSets(view.items.map((i) => ({ pattern: i.pattern, sets: i.sets })));
  const shape = anchorShape(
    { key: "floor", stress: 84, bands, done: false, locked: false, limit: 0 },
    { x: 30, width: 40, ground: 0, perUnit: 1, perSet: 5, leastBand: 13 },
  );
  return (
    <svg width="56" height="92" aria-hidden="true" className="-mt-3 flex-none">
      <Defs prefix="f" size={5} />
      <Anchor shape={shape} ground={0} prefix="f" letters eye={false} />
      {shape.bands.map((b) => {
        const items = view.items.filter((i) => bandOf(i.pattern) === b.id);
        const share =
          items.reduce((a, i) => a + Math.min(1, doneRows(log, i) / rowsOf(i)), 0) / Math.max(1, items.length);
        return share > 0 ? (
          <rect
            key={b.id}
            x={shape.x0}
            y={b.y}
            width={(shape.x1 - shape.x0) * share}
            height={b.h}
            fill="var(--color-iron)"
            opacity=".78"
          />
        ) : null;
      })}
      {shape.bands
        .filter((b) => b.id === bandOf(current.pattern))
        .map((b) => (
          <path key={b.id} d={`M${shape.x0 - 10} ${b.y + b.h / 2 - 4.5}l6 4.500l-6 4.500z`} fill="var(--color-ink)" />
        ))}
    </svg>
  );
}
