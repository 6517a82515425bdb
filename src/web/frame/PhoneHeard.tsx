/** When an athlete's phone was last heard, in a few letters. */
import { usePhones } from "../data/phone";
import { moment } from "../format";

const MINUTE_MS = 60_000;

/** "now", "25 min", "3 h", "2 d" @param ms since then */
export function agoText(ms: number): string {
  const minutes = Math.floor(ms / MINUTE_MS);
  if (minutes < 2) return "now";
  if (minutes < 60) return `${minutes} min`;
  return minutes < 1440 ? `${Math.floor(minutes / 60)} h` : `${Math.floor(minutes / 1440)} d`;
}

export default function PhoneHeard({ id }: { id: string }) {
  const last = usePhones(id).data?.[0]?.seenAt;
  if (!last) return null;
  return (
    <span className="ml-auto text-note text-ink2" title={`last heard ${moment(last)}`}>
      <span className="sr-only"> last heard </span>
      {agoText(Date.now() - Date.parse(last))}
    </span>
  );
}
