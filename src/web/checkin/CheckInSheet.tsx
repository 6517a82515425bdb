import type { SessionView } from "../../api/views";
import { day } from "../format";
import { Sheet } from "../ui/Sheet";
import { CheckIn } from "./CheckIn";

/** The check-in from the coach's side. */
export function CheckInSheet({ view, onClose }: { view: SessionView; onClose: () => void }) {
  return (
    <Sheet open onClose={onClose} title={`Before ${view.label} of ${day(view.date)}`}>
      <CheckIn id={view.id} date={view.date} label={view.label} onDone={onClose} />
    </Sheet>
  );
}
