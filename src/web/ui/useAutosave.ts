import { useEffect } from "react";
import { useLatest } from "./latest";

/** Sends what was changed once the hand rests, and what was not sent yet on leaving; `send` says itself whether there is anything. @param ms of rest */
export function useAutosave(value: unknown, send: () => void, ms: number): void {
  const latest = useLatest(send);
  useEffect(() => {
    const timer = setTimeout(() => latest.current(), ms);
    return () => clearTimeout(timer);
  }, [value, ms, latest]);
  useEffect(() => () => latest.current(), [latest]);
}
