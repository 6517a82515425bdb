/** What else is done to a week. */
import { DropdownMenu } from "radix-ui";
import { Link } from "react-router";

export function WeekMenu({
  onCopy,
  onWeights,
  onLockAll,
  editable,
  day,
}: {
  onCopy: () => void;
  onWeights: () => void;
  onLockAll: (() => void) | null;
  editable: boolean;
  day: string;
}) {
  const item =
    "flex h-8 cursor-pointer items-center px-3 outline-none data-[highlighted]:bg-iron-l data-[disabled]:text-ink2";
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn" aria-label="More for this week">
        More
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="fade z-50 min-w-[230px] rounded-[3px] border border-edge bg-panel py-1 shadow-[0_2px_8px_rgb(58_47_37/0.18)]"
        >
          <DropdownMenu.Item className={item} disabled={!editable} onSelect={onCopy}>
            Copy last week's days
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} disabled={!onLockAll} onSelect={() => onLockAll?.()}>
            Lock all
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} onSelect={onWeights}>
            Weights of the rules…
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="my-1 border-t border-hair" />
          <DropdownMenu.Item asChild>
            <Link className={item} to={`/gym/${day}`}>
              The gym on one day
            </Link>
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
