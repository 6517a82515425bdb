/** Before the first set: the check-in, and what is left to do at home. */
import type { Label } from "../../core/athlete";
import { CheckIn } from "../checkin/CheckIn";
import { HomeworkToday } from "../homework/Today";

interface Props {
  id: string;
  date: string;
  label: Label;
  onDone: () => void;
}

export default function Before({ id, date, label, onDone }: Props) {
  return (
    <>
      <CheckIn id={id} date={date} label={label} onDone={onDone} />
      <div className="mt-3">
        <HomeworkToday id={id} />
      </div>
    </>
  );
}
