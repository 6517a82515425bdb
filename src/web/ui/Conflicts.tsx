import { lazy, Suspense } from "react";
import { useConflict } from "../data/conflicts";

const ConflictSheet = lazy(() => import("./ConflictSheet"));

/** Stands in the frame; the sheet is fetched with the first conflict. */
export function Conflicts() {
  const conflict = useConflict();
  return conflict ? (
    <Suspense fallback={null}>
      <ConflictSheet key={`${conflict.thing}${conflict.tag}`} conflict={conflict} />
    </Suspense>
  ) : null;
}
