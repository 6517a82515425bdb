/** What views are made of: a head with its title and what can be done, a side panel with its sections. */
import type { ReactNode } from "react";

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
