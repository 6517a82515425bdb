/** What can be done on a view: a row of buttons; those that find no room stand under "More". */
import { DropdownMenu } from "radix-ui";
import { type ReactNode, useEffect, useLayoutEffect, useRef, useState } from "react";
import { Link } from "react-router";
import { GAP, roomFor } from "./toolbarRoom";

export interface Action {
  label: string;
  /** Its name where the label is a picture, or says less than it should. */
  name?: string;
  icon?: ReactNode;
  /** Where it leads, instead of what it does. */
  to?: string;
  /** A file it gives. */
  download?: string;
  run?: () => void;
  disabled?: boolean;
  pressed?: boolean;
  /** The main one: it never stands under "More". */
  primary?: boolean;
  /** A picture is enough where the button stands in the row. */
  square?: boolean;
  /** It always stands under "More". */
  rare?: boolean;
  /** A line before it, in the menu. */
  apart?: boolean;
}

interface Props {
  /** Name of the menu of what finds no room. */
  name: string;
  actions: readonly Action[];
  /** Controls of another kind, before the buttons. */
  children?: ReactNode;
}

/** Width of a button that has not been drawn yet, px: a long one. */
const UNSEEN = 140;

export function Toolbar({ name, actions, children }: Props) {
  const box = useRef<HTMLDivElement>(null);
  const row = actions.filter((a) => !a.rare && !a.primary);
  const rare = actions.filter((a) => a.rare);
  const primary = actions.filter((a) => a.primary);
  const [fits, setFits] = useState(row.length);
  const known = useRef(new Map<string, number>());
  // Measured anew when it holds other buttons, not whenever the view is drawn: a drag draws often.
  const shape = JSON.stringify([row.map((a) => a.label), primary.map((a) => a.label), rare.length]);
  const [fonts, setFonts] = useState(0);
  useEffect(() => {
    // Letters that come after it is drawn have other widths: all is shown once more, and measured before it is seen.
    const come = () => {
      known.current.clear();
      setFits(Number.POSITIVE_INFINITY);
      setFonts((n) => n + 1);
    };
    document.fonts.addEventListener("loadingdone", come);
    return () => document.fonts.removeEventListener("loadingdone", come);
  }, []);
  useLayoutEffect(() => {
    const element = box.current;
    if (!element) return;
    const [labels, , rarely] = JSON.parse(shape) as [string[], string[], number];
    const place = () => {
      const taken = (what: string) =>
        [...element.querySelectorAll<HTMLElement>(`[data-bar="${what}"]`)].reduce((a, e) => a + e.offsetWidth + GAP, 0);
      for (const e of element.querySelectorAll<HTMLElement>("[data-bar=row]"))
        known.current.set(e.dataset.label ?? "", e.offsetWidth);
      const widths = labels.map((l) => known.current.get(l) ?? UNSEEN);
      setFits(roomFor(widths, element.clientWidth + GAP, taken("kept"), 62, rarely > 0));
    };
    place();
    const observer = new ResizeObserver(place);
    observer.observe(element);
    return () => observer.disconnect();
  }, [shape, fonts]);
  const shown = row.slice(0, fits);
  const under = [...row.slice(fits), ...rare];
  return (
    <div ref={box} className="toolbar">
      {children && (
        <span data-bar="kept" className="flex flex-none items-center gap-2">
          {children}
        </span>
      )}
      {shown.map((a) => (
        <span key={a.label} data-bar="row" data-label={a.label} className="flex-none">
          <ActionButton action={a} />
        </span>
      ))}
      {under.length > 0 && <MoreMenu name={name} actions={under} />}
      {primary.map((a) => (
        <span key={a.label} data-bar="kept" className="flex-none">
          <ActionButton action={a} />
        </span>
      ))}
    </div>
  );
}

function ActionButton({ action: a }: { action: Action }) {
  const className = `btn ${a.primary ? "btn-pri" : ""} ${a.square ? "btn-sq" : ""}`;
  const words = a.square ? null : a.label;
  const name = a.name ?? (a.square ? a.label : undefined);
  if (a.to !== undefined)
    return (
      <Link className={className} to={a.to} aria-label={name} title={a.square ? name : undefined}>
        {a.icon} {words}
      </Link>
    );
  return (
    <button
      type="button"
      className={className}
      aria-label={name}
      title={a.square ? name : undefined}
      aria-pressed={a.pressed}
      disabled={a.disabled}
      onClick={a.run}
    >
      {a.icon} {words}
    </button>
  );
}

/** A menu of actions. @param name said of its button */
export function MoreMenu({ name, actions }: { name: string; actions: readonly Action[] }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="btn flex-none" aria-label={name}>
        More
      </DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content align="end" sideOffset={2} className="menu fade">
          {actions.map((a) => (
            <MenuEntry key={a.label} action={a} />
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}

function MenuEntry({ action: a }: { action: Action }) {
  const linked = a.to !== undefined || a.download !== undefined;
  return (
    <>
      {a.apart && <DropdownMenu.Separator className="my-1 border-t border-hair" />}
      {linked ? (
        <DropdownMenu.Item asChild>
          {a.to !== undefined ? (
            <Link className="menu-item" to={a.to}>
              {a.name ?? a.label}
            </Link>
          ) : (
            <a className="menu-item" href={a.download} download>
              {a.name ?? a.label}
            </a>
          )}
        </DropdownMenu.Item>
      ) : (
        <DropdownMenu.Item className="menu-item" disabled={a.disabled ?? false} onSelect={() => a.run?.()}>
          {a.name ?? a.label}
        </DropdownMenu.Item>
      )}
    </>
  );
}
