/** The season drawn, with everything of it that hands can take hold of. */
import { replaceEqualDeep } from "@tanstack/react-query";
import { useEffect, useMemo, useRef, useState } from "react";
import { useNavigate } from "react-router";
import type { SeasonView } from "../../api/views";
import { distanceNumber } from "../format";
import { useUnits } from "../frame/current";
import { AmountHandles } from "../mileage/AmountHandles";
import { AmountRow } from "../mileage/AmountRow";
import { amountFrom, amountNumber, shownAmounts } from "../mileage/amounts";
import { type SeasonLayout, seasonLayout, type Terrain } from "../section/layout/season";
import { SeasonHandles } from "../section/SeasonHandles";
import { SeasonSection } from "../section/SeasonSection";
import { phaseFacts } from "./facts";
import type { Moves } from "./useMoves";
import type { Sight } from "./useSight";

interface Props {
  id: string;
  view: SeasonView;
  terrain: Terrain;
  size: { width: number; height: number };
  sight: Sight;
  moves: Moves;
  /** The endurance plan is being drawn. */
  planning: boolean;
  onOpen: (index: number) => void;
  onOpenRace: (race: string) => void;
}

export function SeasonDrawing({ id, view, terrain, size, sight, moves, planning, onOpen, onOpenRace }: Props) {
  const units = useUnits();
  const navigate = useNavigate();
  /** What the sky reached up to when a hand took hold of a week's top. */
  const [held, setHeld] = useState<number | null>(null);
  const layout = useLayout({ view, terrain, sight, size, held });
  const facts = useMemo(() => phaseFacts(view), [view]);
  const { plan, move, attemptAmounts } = moves;
  const shownNow = useMemo(() => shownAmounts(view.weeks, plan), [view.weeks, plan]);
  const unit =
    terrain === "distance" ? `${units.distanceUnit} a week` : terrain === "hours" ? "hours a week" : "load a week, AU";
  const drawable = plan !== null && terrain === (plan.unit === "km" ? "distance" : "hours");
  const inUnit = (amounts: ReadonlyMap<string, number>) =>
    new Map([...amounts].map(([w, n]) => [w, amountFrom(n, plan?.unit ?? "km", units)]));
  return (
    <>
      <SeasonSection
        layout={layout}
        view={view}
        selected={sight.selected}
        unit={unit}
        facts={facts}
        drawing={planning && drawable}
        onSelect={sight.select}
        onOpen={onOpen}
        width={size.width}
        height={size.height}
        handles={
          <SeasonHandles
            layout={layout}
            today={view.today}
            onRace={(race, to) => move({ of: "race", race, to })}
            onOpenRace={onOpenRace}
            onBoundary={(boundary, to) => move({ of: "boundary", boundary, to })}
            onBoundaryEnd={() => move({ of: "end" })}
            onAnchor={(a) => navigate(`/a/${id}/session/${a.date}/${a.label}`)}
            onPick={(column) => {
              const picked = layout.columns[column];
              if (picked) sight.select(picked.index);
            }}
          >
            {drawable && (
              <AmountHandles
                layout={layout}
                today={view.today}
                step={plan.unit === "km" ? 1 : 0.25}
                unit={unit}
                onDraw={(amounts) => attemptAmounts(inUnit(amounts))}
                onHold={(now) => setHeld(now ? layout.most : null)}
              />
            )}
          </SeasonHandles>
        }
      />
      {planning && drawable && (
        <AmountRow
          layout={layout}
          y={layout.strip[1]?.y ?? 0}
          today={view.today}
          amountOf={(monday) => {
            const amount = shownNow.get(monday);
            return amount === undefined ? null : amountNumber(amount, plan.unit, units);
          }}
          onType={(amounts) => attemptAmounts(inUnit(amounts))}
        />
      )}
    </>
  );
}

interface Drawn {
  view: SeasonView;
  terrain: Terrain;
  sight: Sight;
  size: { width: number; height: number };
  held: number | null;
}

/** What is drawn where it was keeps its identity, so that it is not drawn again. */
function useLayout({ view, terrain, sight: { first, fits }, size, held }: Drawn): SeasonLayout {
  const units = useUnits();
  const before = useRef<SeasonLayout | null>(null);
  const layout = useMemo(
    () =>
      replaceEqualDeep(
        before.current,
        seasonLayout({
          view,
          terrain,
          first,
          count: fits,
          width: size.width,
          height: size.height,
          inUnits: (km) => distanceNumber(km, units, 1),
          most: held ?? undefined,
        }),
      ),
    [view, terrain, first, fits, size, units, held],
  );
  useEffect(() => {
    before.current = layout;
  }, [layout]);
  return layout;
}
