/** Pictures that mean something of ours are drawn here; all others come from the icon library under the names that views know. */
import {
  AlignHorizontalDistributeCenter,
  ArrowDownToLine,
  CalendarDays,
  Check,
  ChevronLeft,
  ChevronRight,
  Dumbbell,
  File,
  Flag,
  Lock,
  LockOpen,
  Minus,
  Pencil,
  Plus,
  Redo2,
  Trash2,
  TriangleAlert,
  Undo2,
  X,
} from "lucide-react";
import type { ReactNode } from "react";

const drawn = (children: ReactNode) => (
  <svg
    viewBox="0 0 22 22"
    width="18"
    height="18"
    fill="none"
    stroke="currentColor"
    strokeWidth="1.8"
    strokeLinecap="square"
    aria-hidden="true"
  >
    {children}
  </svg>
);

/** Hills of endurance over the ground, sessions hanging below it. */
export const SeasonGlyph = () =>
  drawn(
    <>
      <path d="M1.5 11h19M2 11l4-6 3.5 4 3-5.5L17 9l3 2M6 11v4M13 11v6" />
      <path d="M4.5 15h3v2.5h-3zM11.5 17h3v2.5h-3z" fill="currentColor" />
    </>,
  );
/** Seven days of it. */
export const WeekGlyph = () =>
  drawn(
    <path d="M1.5 11h19M3 11V8M6 11V4.5M9 11V8M11.5 11V6.5M14 11V9M17 11V3M19.5 11V9M6 13v5M14 13v3M4.5 18.5h3M12.5 16.5h3" />,
  );
/** One session with its bands. */
export const SessionGlyph = () => drawn(<path d="M11 2.5v5M5.5 7.5h11v12h-11zM5.5 11.5h11M5.5 15.5h11" />);

const look = { size: 16, strokeWidth: 1.75, "aria-hidden": true } as const;

export const ICON = {
  left: <ChevronLeft {...look} />,
  right: <ChevronRight {...look} />,
  flag: <Flag {...look} />,
  undo: <Undo2 {...look} />,
  redo: <Redo2 {...look} />,
  lock: <Lock {...look} />,
  unlock: <LockOpen {...look} />,
  fit: <AlignHorizontalDistributeCenter {...look} />,
  plus: <Plus {...look} />,
  minus: <Minus {...look} />,
  calendar: <CalendarDays {...look} />,
  file: <File {...look} />,
  down: <ArrowDownToLine {...look} />,
  floor: <Dumbbell {...look} />,
  edit: <Pencil {...look} />,
  bin: <Trash2 {...look} />,
  close: <X {...look} />,
  check: <Check {...look} />,
} as const;

/** The flag of a race, as the drawings plant it. */
export const FlagGlyph = () => (
  <svg width="12" height="15" viewBox="0 0 12 15" aria-hidden="true" className="flex-none">
    <path d="M1.5 15V1" stroke="var(--color-brick-ink)" strokeWidth="1.5" />
    <path d="M1.5 1h10l-2.5 3.5 2.5 3.5h-10z" fill="var(--color-brick-ink)" />
  </svg>
);

export const Mark = () => (
  <svg width="30" height="30" viewBox="0 0 30 30" fill="none" aria-hidden="true">
    <path d="M2 13.25h26" stroke="var(--color-ground)" strokeWidth="2" />
    <path d="M3 12.2l6.5-8 4.5 5 3.5-3.5 6.5 6.5z" fill="var(--color-moss)" />
    <path d="M15 14v6" stroke="var(--color-iron)" strokeWidth="1.75" />
    <rect x="9.5" y="19.5" width="11" height="7.5" fill="var(--color-iron)" />
    <path d="M9.5 23.25h11" stroke="var(--color-panel)" />
    <circle cx="15" cy="13.25" r="2.6" fill="var(--color-panel)" stroke="var(--color-iron)" strokeWidth="1.5" />
  </svg>
);

export const WarnIcon = ({ size = 14 }: { size?: number }) => (
  <TriangleAlert size={size} strokeWidth={1.75} aria-hidden="true" className="flex-none text-brick-ink" />
);
