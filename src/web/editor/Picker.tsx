/** Any exercise of the library by name, for a place in the session. */
import { Command } from "cmdk";
import { Popover } from "radix-ui";
import { type ReactNode, useState } from "react";
import type { ExerciseView } from "../../api/views";
import { PATTERNS } from "../../core/exercise";

interface Props {
  exercises: readonly ExerciseView[];
  /** These stand first: what the planner would have taken. */
  first?: readonly { exercise: string; name: string }[];
  onPick: (e: ExerciseView) => void;
  label: string;
  className: string;
  children: ReactNode;
}

export function Picker({ exercises, first = [], onPick, label, className, children }: Props) {
  const [open, setOpen] = useState(false);
  const take = (id: string) => {
    const e = exercises.find((x) => x.id === id);
    if (e) onPick(e);
    setOpen(false);
  };
  const heading =
    "[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:pt-2 [&_[cmdk-group-heading]]:pb-0.5 [&_[cmdk-group-heading]]:text-note [&_[cmdk-group-heading]]:text-ink2";
  const item = "cursor-pointer rounded-[3px] px-3 py-1 data-[selected=true]:bg-iron-l";
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger className={className} aria-label={label}>
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label={label}
          align="start"
          sideOffset={4}
          collisionPadding={12}
          className="fade z-50 w-[320px] rounded-[3px] border border-edge bg-panel shadow-pop"
        >
          <Command label={label}>
            <Command.Input
              autoFocus
              placeholder="Name of an exercise"
              className="h-9 w-full border-b border-hair bg-transparent px-3 outline-none"
            />
            <Command.List className="max-h-[300px] overflow-auto p-1">
              <Command.Empty className="px-3 py-3 text-ink2">Nothing by that name in the library.</Command.Empty>
              {first.length > 0 && (
                <Command.Group heading="The planner would take" className={heading}>
                  {first.slice(0, 4).map((f) => (
                    <Command.Item
                      key={f.exercise}
                      value={`${f.name} first`}
                      className={item}
                      onSelect={() => take(f.exercise)}
                    >
                      {f.name}
                    </Command.Item>
                  ))}
                </Command.Group>
              )}
              {PATTERNS.map((p) => (
                <Command.Group key={p} heading={p.replace("-", " ")} className={heading}>
                  {exercises
                    .filter((e) => e.pattern === p && !e.hidden)
                    .map((e) => (
                      <Command.Item
                        key={e.id}
                        value={`${e.name} ${e.alsoCalled.join(" ")}`}
                        className={item}
                        onSelect={() => take(e.id)}
                      >
                        {e.name}
                      </Command.Item>
                    ))}
                </Command.Group>
              ))}
            </Command.List>
          </Command>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
