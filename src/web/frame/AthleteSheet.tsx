import type { ComponentProps } from "react";
import { Sheet } from "../ui/Sheet";
import { AthleteList } from "./AthleteList";

/** The list of athletes on a phone. */
export default function AthleteSheet(list: ComponentProps<typeof AthleteList>) {
  return (
    <Sheet open onClose={list.onClose} title="Choose an athlete" width={360}>
      <div className="-mx-4 -my-3 text-lead [&_a]:min-h-11 [&_button]:min-h-11">
        <AthleteList {...list} />
      </div>
    </Sheet>
  );
}
