import { type RefObject, useInsertionEffect, useRef } from "react";

/** The value of the last drawing, for what runs later, such as timers and keys. It is set once that drawing stands, never while it is made. */
export function useLatest<T>(value: T): Readonly<RefObject<T>> {
  const ref = useRef(value);
  useInsertionEffect(() => {
    ref.current = value;
  });
  return ref;
}
