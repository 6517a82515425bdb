/** What views are made of: a head with its title and what can be done, a side panel with its sections. */
import type { ReactNode } from "react";
import { ICON } from "./glyphs";

interface HeadProps {
  title: ReactNode;
  /** What it is about, beside the title. */
  note?: ReactNode;
  /** Steps back and forth, a toolbar. */
  children?: ReactNode;
  className?: string;
}

export function PageHeader({ title, note, children, className = "" }: HeadProps) {
  return (
    <div className={`page-head ${className}`}>
      <h1 className="page-title">{title}</h1>
      {note !== undefined && <span className="ml-1 min-w-0 flex-initial truncate text-ink2">{note}</span>}
      {children}
    </div>
  );
}

interface StepsProps {
  /** Names of the two buttons. */
  before: string;
  next: string;
  onStep: (by: 1 | -1) => void;
}

/** One back, one on. */
export const Steps = ({ before, next, onStep }: StepsProps) => (
  <>
    <button type="button" className="btn btn-sq ml-2" aria-label={before} onClick={() => onStep(-1)}>
      {ICON.left}
    </button>
    <button type="button" className="btn btn-sq -ml-1" aria-label={next} onClick={() => onStep(1)}>
      {ICON.right}
    </button>
  </>
);
