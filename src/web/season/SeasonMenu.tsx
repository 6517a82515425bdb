/** What leaves the season view: what-if, import, paper, files and the calendar feed. */
import { DropdownMenu } from "radix-ui";
import { Link } from "react-router";
import { toast } from "sonner";

export function SeasonMenu({
  id,
  anyFixed,
  onAllComputed,
}: {
  id: string;
  anyFixed: boolean;
  onAllComputed: () => void;
}) {
  const item = "flex h-8 cursor-pointer items-center px-3 outline-none data-[highlighted]:bg-iron-l";
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn" aria-label="More for this season">
        More
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content
          align="end"
          className="fade z-50 min-w-[230px] rounded-[3px] border border-edge bg-panel py-1 shadow-[0_2px_8px_rgb(58_47_37/0.18)]"
        >
          <DropdownMenu.Item asChild>
            <Link className={item} to={`/a/${id}/what-if`}>
              What if…
            </Link>
          </DropdownMenu.Item>
          <DropdownMenu.Item asChild>
            <Link className={item} to={`/a/${id}/import`}>
              Import records
            </Link>
          </DropdownMenu.Item>
          <DropdownMenu.Item className={item} disabled={!anyFixed} onSelect={onAllComputed}>
            <span className={anyFixed ? "" : "text-ink2"}>All phases back to computed</span>
          </DropdownMenu.Item>
          <DropdownMenu.Separator className="my-1 border-t border-hair" />
          <DropdownMenu.Item asChild>
            <Link className={item} to={`/a/${id}/season-sheet`}>
              Season sheet, to print
            </Link>
          </DropdownMenu.Item>
          <DropdownMenu.Item asChild>
            <a className={item} href={`/api/athletes/${id}/season.csv`} download>
              Season as CSV
            </a>
          </DropdownMenu.Item>
          <DropdownMenu.Item asChild>
            <a className={item} href={`/api/athletes/${id}/strength.ics`} download>
              Strength sessions as iCalendar
            </a>
          </DropdownMenu.Item>
          <DropdownMenu.Item
            className={item}
            onSelect={() => {
              const address = `${location.origin}/api/athletes/${id}/strength.ics`;
              void navigator.clipboard.writeText(address).then(
                () => toast("Address of the calendar feed copied."),
                () => toast(address, { duration: 20_000 }),
              );
            }}
          >
            Copy the calendar feed's address
          </DropdownMenu.Item>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
