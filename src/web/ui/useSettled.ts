import { useEffect, useState } from "react";

/** A value once it has stood still for a while: what nobody watches during a drag need not follow each step of it. */
export function useSettled<T>(value: T, ms = 300): T {
  const [settled, setSettled] = useState(value);
  useEffect(() => {
    const timer = setTimeout(() => setSettled(value), ms);
    return () => clearTimeout(timer);
  }, [value, ms]);
  return settled;
}
