import { useStep } from "../data/board";
import { tell, tellFault, tellUndo } from "./tell";

/** Undo and redo of an athlete's last change, and a message that offers it. What was undone is said by its name. */
export function useUndo(id: string) {
  const step = useStep(id);
  const go = (way: "undo" | "redo", seq?: number) =>
    step.mutate(
      { way, seq },
      {
        onSuccess: ({ what }) => tell(`${way === "undo" ? "Undone" : "Done again"}: ${what}.`),
        onError: (e) => tellFault(e.message),
      },
    );
  const undo = () => go("undo");
  return { go, undo, redo: () => go("redo"), busy: step.isPending, said: (words: string) => tellUndo(words, undo) };
}
