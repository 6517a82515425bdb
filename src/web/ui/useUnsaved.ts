import { useEffect } from "react";
import { useWaiting } from "../data/saved";

/** Asks before the page is left while something is not saved, and says so in the status bar. */
export function useUnsaved(changed: boolean): void {
  useWaiting(changed);
  useEffect(() => {
    if (!changed) return;
    const warn = (e: BeforeUnloadEvent) => e.preventDefault();
    window.addEventListener("beforeunload", warn);
    return () => window.removeEventListener("beforeunload", warn);
  }, [changed]);
}
