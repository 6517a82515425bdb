/** Rail glyphs and small icons, drawn for this product. */
import type { ReactNode } from "react";

const rail = (children: ReactNode) => (
  <svg
    viewBox="0 0 22 22"
    width="22"
    height="22"
    fill="none"
    stroke="currentColor"
    strokeWidth="1.5"
    strokeLinecap="square"
    aria-hidden="true"
  >
    {children}
  </svg>
);

export const RAIL = {
  squad: rail(
    <path d="M8 10a3 3 0 1 0 0-6 3 3 0 0 0 0 6zM2.5 18.5v-2a5.5 5.5 0 0 1 11 0v2M14 4.4a3 3 0 0 1 0 5.2M16 12a5.4 5.4 0 0 1 3.5 4.6v1.9" />,
  ),
  season: rail(
    <>
      <path d="M1.5 11h19M2 11l4-6 3.5 4 3-5.5L17 9l3 2M6 11v4M13 11v6" />
      <path d="M4.5 15h3v2.5h-3zM11.5 17h3v2.5h-3z" fill="currentColor" />
    </>,
  ),
  week: rail(
    <path d="M1.5 11h19M3 11V8M6 11V4.5M9 11V8M11.5 11V6.5M14 11V9M17 11V3M19.5 11V9M6 13v5M14 13v3M4.5 18.5h3M12.5 16.5h3" />,
  ),
  session: rail(<path d="M11 2.5v5M5.5 7.5h11v12h-11zM5.5 11.5h11M5.5 15.5h11" />),
  screening: rail(
    <>
      <path d="M3 18.5h16M6 18.5V12M6 8.500V6M11 18.5V4M16 18.5V9" />
      <path d="M2.500 10.500h17" strokeDasharray="2 2" />
    </>,
  ),
  library: rail(<path d="M3 18.500h16M3 14h12M3 9.500h8M3 5h4M7 5v4.500M11 9.500V14M15 14v4.500" />),
  intake: rail(
    <path d="M11 9a3.200 3.200 0 1 0 0-6.400A3.200 3.200 0 0 0 11 9zM4.500 19.500v-2.500a6.500 6.500 0 0 1 9-6M17 11.500v7M13.500 15h7" />,
  ),
  clubData: rail(
    <path d="M3.500 5.500c0-1.700 3.400-3 7.500-3s7.500 1.300 7.500 3-3.400 3-7.500 3-7.500-1.300-7.500-3zM3.500 5.500v11c0 1.700 3.400 3 7.500 3s7.500-1.300 7.500-3v-11M3.500 11c0 1.700 3.400 3 7.500 3s7.500-1.300 7.500-3" />,
  ),
  approaches: rail(<path d="M2.500 3.500h17v15h-17zM2.500 8.500h17M2.500 13.500h17M8 3.500v15M14 3.500v15" />),
  rules: rail(
    <path d="M3.500 3.500h6.500l1 1 1-1h6.500v14.500h-6.500l-1 1-1-1H3.500zM11 4.500v14.500M6 8h2.500M6 11.500h2.500M13.500 8H16M13.500 11.500H16" />,
  ),
  lifts: rail(
    <>
      <path d="M2.500 18.500h17M4 15.500l4-4 4 1.500 6-8" />
      <path d="M16 4.500h2.500V7" />
    </>,
  ),
  review: rail(<path d="M3.500 3.500h11l4 4v11h-15zM14.500 3.500v4h4M6.500 11h9M6.500 14.500h6" />),
  gym: rail(<path d="M4 3.500v15M18 3.500v15M1.500 8h19M6.500 5.500v5M15.500 5.500v5M4 14h14" />),
  calendar: rail(<path d="M3.500 5h15v13.500h-15zM3.500 9h15M7.500 3v4M14.500 3v4M7 12.500h4M11 15.500h5" />),
  records: rail(<path d="M4 3.5h14v15H4zM4 8.5h14M4 13.5h14M9 3.5v15" />),
} as const;

const icon = (d: string) => (
  <svg viewBox="0 0 16 16" aria-hidden="true">
    <path d={d} />
  </svg>
);

export const ICON = {
  left: icon("M10 3L5 8l5 5"),
  right: icon("M6 3l5 5-5 5"),
  flag: icon("M3.5 15V1.5h9l-2.5 3.25 2.5 3.25h-9"),
  undo: icon("M6 2.5L2.5 6 6 9.5M2.5 6H10a3.75 3.75 0 0 1 0 7.5H6.5"),
  redo: icon("M10 2.500L13.500 6 10 9.500M13.500 6H6a3.750 3.750 0 0 0 0 7.500h3.500"),
  lock: icon("M4.5 9.5V6a3.5 3.5 0 0 1 7 0v3.5M2 11.75h12"),
  unlock: icon("M4.5 9.5V5a3.5 3.5 0 0 1 6.6-1.6M2 11.75h12"),
  fit: icon("M1 5.5h14M5 5.5v3M11 5.5V11M3 8.5h4v3H3zM9 11h4v3H9z"),
  plus: icon("M8 2.5v11M2.5 8h11"),
  minus: icon("M2.500 8h11"),
  calendar: icon("M2.500 3.500h11v10h-11zM2.500 6.500h11M5.500 2v3M10.500 2v3"),
  file: icon("M3.5 1.5h6l3 3v10h-9zM9.5 1.5v3h3"),
  down: icon("M8 2v9M4 7.500l4 4 4-4M2.500 14h11"),
  floor: icon("M1 8h14M4 4v8M12 4v8M2 6v4M14 6v4"),
  edit: icon("M3 13l.5-3L11 2.500l2.500 2.500L6 12.500zM9.500 4l2.500 2.500"),
  bin: icon("M2.500 4.500h11M6 4.500v-2h4v2M4 4.500l.7 9h6.600l.7-9"),
  close: icon("M3.500 3.500l9 9M12.500 3.500l-9 9"),
  check: icon("M2.500 8.500l3.500 3.500 7-8"),
} as const;

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
  <svg
    width={size}
    height={size}
    viewBox="0 0 14 14"
    fill="none"
    stroke="var(--color-brick-ink)"
    strokeWidth="1.5"
    strokeLinejoin="round"
    aria-hidden="true"
    className="flex-none"
  >
    <path d="M7 1.5l5.5 10.5h-11zM7 5.5v3M7 9.7v.8" />
  </svg>
);
