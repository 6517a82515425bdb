import type { FindingView } from "../../api/views";

const TRUST = { pub: "published", trade: "common practice", house: "our assumption" } as const;

export function FindingLine({ f }: { f: FindingView }) {
  return (
    <li className="border-b border-hair2 py-2">
      <span className="block text-lead leading-5 font-semibold">{f.title}</span>
      <span className="block max-w-[68ch]">
        {f.says} <span className="text-label text-ink2">({TRUST[f.trust]})</span>
      </span>
      {f.ends && <span className="block text-label leading-4">{f.ends}</span>}
    </li>
  );
}
