/** How much waits for an answer. */
import { useCameIn } from "../data/phone";

export default function CameInCount() {
  const n = useCameIn().data?.arrivals.length ?? 0;
  if (n === 0) return null;
  return (
    <span className="num ml-auto rounded-[3px] bg-iron px-1.5 text-note leading-4 font-semibold text-on-iron">
      {n}
      <span className="sr-only"> waiting</span>
    </span>
  );
}
