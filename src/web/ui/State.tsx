/** Loading, error and empty states: what happened, what was kept, what to do. */
import type { ReactNode } from "react";
import { ProblemError } from "../data/api";
import { WarnIcon } from "./glyphs";

export function LoadingNote({ what }: { what: string }) {
  return (
    <div className="grid h-full place-items-center p-8 text-ink2" role="status">
      <div className="w-64">
        <p className="mb-2">Loading {what}…</p>
        <div className="h-1 overflow-hidden rounded bg-hair2">
          <div className="h-full w-1/3 animate-pulse bg-moss" />
        </div>
      </div>
    </div>
  );
}

export function Failed({ error, retry, what }: { error: Error; retry?: () => void; what: string }) {
  const problem = error instanceof ProblemError ? error.problem : null;
  return (
    <div className="grid h-full place-items-center p-8" role="alert">
      <div className="max-w-md">
        <h2 className="mb-1 flex items-center gap-2 text-lead font-semibold">
          <WarnIcon /> {problem?.title ?? "Something went wrong"}
        </h2>
        <p className="mb-3">
          {what} could not be shown. {error.message}
        </p>
        {retry && (
          <button type="button" className="btn" onClick={retry}>
            Try again
          </button>
        )}
      </div>
    </div>
  );
}

export function Empty({ title, children }: { title: string; children: ReactNode }) {
  return (
    <div className="grid h-full place-items-center p-8">
      <div className="max-w-md">
        <svg width="120" height="56" viewBox="0 0 120 56" aria-hidden="true" className="mb-4">
          <rect x="0" y="24" width="120" height="32" fill="var(--color-base)" />
          <path d="M0 24h120" stroke="var(--color-ground)" strokeWidth="2" />
          <path d="M60 24v22" stroke="var(--color-iron)" strokeWidth="1.5" strokeDasharray="3 3" />
          <circle cx="60" cy="24" r="3.500" fill="var(--color-panel)" stroke="var(--color-iron)" strokeWidth="1.5" />
        </svg>
        <h2 className="mb-1 text-title font-semibold">{title}</h2>
        <div className="text-ink2">{children}</div>
      </div>
    </div>
  );
}
