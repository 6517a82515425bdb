import { useEffect } from "react";

/** Asks before the page is left while something is not saved. */
export function useUnsaved(changed: boolean): void {
  useEffect(() => {
    if (!changed) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [changed]);
}
