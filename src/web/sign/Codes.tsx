import { tell, tellFault } from "../ui/tell";

/** Codes to write down: shown once, since the server keeps none of them. */
export function Codes({ codes, onDone }: { codes: readonly string[]; onDone: () => void }) {
  return (
    <div className="flex flex-col gap-3">
      <h1 className="text-title font-semibold">Write these down</h1>
      <p className="text-ink2">
        Each stands for a lost password once. They are shown now and never again; whoever has one can sign in as you.
      </p>
      <ul
        aria-label="Codes"
        className="num grid grid-cols-2 gap-x-6 gap-y-1 rounded-[3px] border border-hair bg-surface p-3"
      >
        {codes.map((c) => (
          <li key={c}>{c}</li>
        ))}
      </ul>
      <div className="flex gap-2">
        <button
          type="button"
          className="btn min-h-11 flex-1 justify-center"
          onClick={() =>
            navigator.clipboard.writeText(codes.join("\n")).then(
              () => tell("Copied."),
              () => tellFault("The browser would not copy: write them down by hand."),
            )
          }
        >
          Copy
        </button>
        <button type="button" className="btn btn-pri min-h-11 flex-1 justify-center" onClick={onDone}>
          I have them
        </button>
      </div>
    </div>
  );
}
