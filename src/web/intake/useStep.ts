/** One step of the intake: saved as it is changed, kept in the browser until the server has it. */

import { useCallback, useEffect, useReducer, useRef, useState } from "react";
import { type IntakeBody, intakeBody } from "../../api/requests";
import type { Fault } from "../../formats/fault";
import { faultsOf } from "../../formats/fault";
import { ProblemError, THEIRS } from "../data/api";
import { useSaveIntake } from "../data/intake";
import { useWaiting } from "../data/saved";
import { useHeld } from "../data/tags";
import { useLatest } from "../ui/latest";
import { opened, type Saving, saving } from "./saving";

/** Milliseconds of quiet before a change is sent. */
const QUIET = 400;

export function draftOf<T>(key: string): T | null {
  try {
    const text = localStorage.getItem(key);
    return text === null ? null : (JSON.parse(text) as T);
  } catch {
    return null;
  }
}

export const keepDraft = (key: string, value: unknown): void => localStorage.setItem(key, JSON.stringify(value));

export interface Step<T> extends Saving<T> {
  set: (next: T) => void;
}

/**
 * @param name of the step; names its draft
 * @param initial what the server has
 * @param toBody what is sent; checked by the server's own schema first
 */
export function useStep<T>(id: string, name: string, initial: T, toBody: (value: T) => unknown): Step<T> {
  const key = `field-anchor:intake:${id}:${name}`;
  const [step, act] = useReducer(saving<T>, null, () => opened(draftOf<T>(key), initial));
  const save = useSaveIntake(id);
  const [sections] = useState(() =>
    Object.keys(toBody(initial) as object)
      .sort()
      .join("+"),
  );
  useHeld(`athletes/${id}/intake/${sections}`);
  const stored = useLatest(initial);
  const timer = useRef<ReturnType<typeof setTimeout> | null>(null);
  const latest = useRef(step.value);
  const { mutate } = save;
  useWaiting(step.state === "waiting");

  const send = useCallback(() => {
    timer.current = null;
    const sent = latest.current;
    const body = toBody(sent);
    const checked = intakeBody.safeParse(body);
    if (!checked.success) {
      act({ type: "incomplete", faults: faultsOf(checked.error, body) });
      return;
    }
    act({ type: "sent" });
    mutate(checked.data as IntakeBody, {
      onSuccess: (answer) => {
        if (latest.current !== sent) return;
        localStorage.removeItem(key);
        if (answer !== THEIRS) return act({ type: "stored", sent });
        latest.current = stored.current;
        act({ type: "stored", sent, instead: stored.current });
      },
      onError: (error) =>
        act({
          type: "refused",
          faults: error instanceof ProblemError ? error.problem.faults : [],
          problem: error.message,
        }),
    });
  }, [key, mutate, toBody]);
  const sendNow = useLatest(send);

  // A draft that never reached the server is sent when the step is opened again; one that waits is sent when it is left.
  useEffect(() => {
    if (localStorage.getItem(key) !== null) sendNow.current();
    return () => {
      if (timer.current === null) return;
      clearTimeout(timer.current);
      sendNow.current();
    };
  }, [key]);

  const set = (next: T): void => {
    latest.current = next;
    act({ type: "typed", value: next });
    keepDraft(key, next);
    if (timer.current !== null) clearTimeout(timer.current);
    timer.current = setTimeout(() => sendNow.current(), QUIET);
  };
  return { ...step, set };
}

/** @returns the fault of a path, if any */
export const faultAt = (faults: readonly Fault[], path: string): string | undefined =>
  faults.find((f) => f.path === path)?.expected.replace(/, found ""$/, "");
