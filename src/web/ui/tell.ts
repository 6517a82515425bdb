/**
 * What the application says of an act: one message at a time, in the foot of the frame, where it covers no figure.
 * A newer message takes the place of the one before, so that "Undo" always means what was done last. What shows messages is fetched after the
 * first view stands.
 */
import type { ExternalToast, toast } from "sonner";

type Toast = typeof toast;

/** Milliseconds: time to read a line, and time to think better of what was done. */
const READ = 6_000;
const THINK = 15_000;

let standing: string | number | undefined;

/** The one before is gone before the next one stands: it goes with a frame, which a hidden page may not have. */
const A_FRAME = 100;
const frame = (): Promise<unknown> =>
  Promise.race([new Promise((done) => requestAnimationFrame(done)), new Promise((done) => setTimeout(done, A_FRAME))]);

/** Messages stand in the order in which they were said. */
let line: Promise<unknown> = Promise.resolve();
function withToast(work: (toast: Toast) => unknown): void {
  line = Promise.all([import("sonner"), line]).then(
    ([{ toast }]) => work(toast),
    () => undefined,
  );
}

const say = (
  words: string,
  how: ExternalToast,
  as: (toast: Toast) => (words: string, how: ExternalToast) => string | number = (t) => t,
) =>
  withToast(async (toast) => {
    if (standing !== undefined) {
      toast.dismiss(standing);
      await frame();
    }
    standing = as(toast)(words, how);
  });

export const tell = (words: string): void => say(words, { duration: READ });

export const tellUndo = (words: string, undo: () => void): void =>
  say(words, { duration: THINK, action: { label: "Undo", onClick: undo } });

export const tellFault = (words: string): void => say(words, { duration: THINK }, (t) => t.error);

/** Stays until it is closed, beside what is said after it. */
export const tellAndKeep = (words: string): void =>
  withToast((toast) => void toast.warning(words, { duration: Number.POSITIVE_INFINITY, closeButton: true }));
