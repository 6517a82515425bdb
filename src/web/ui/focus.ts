import { useEffect, useRef } from "react";

/**
 * What is walked with arrow keys comes into view and has the focus, so that Tab and a screen reader go on from there.
 * @param selector of what is chosen now; nothing happens where nothing matches
 * @returns to be called by the key before it chooses: what a click or the address chooses takes no focus
 */
export function useFocusOn(selector: string): () => void {
  const walked = useRef(false);
  useEffect(() => {
    const chosen = document.querySelector<HTMLElement | SVGElement>(selector);
    chosen?.scrollIntoView({ block: "nearest" });
    if (walked.current) chosen?.focus({ preventScroll: true });
    walked.current = false;
  }, [selector]);
  return () => {
    walked.current = true;
  };
}
