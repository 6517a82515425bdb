/** Reasons: one sentence each with its rule; the rule opens to say how far it can be trusted and where it comes from. */
import { Link } from "react-router";
import type { Why } from "../../core/rulebook";
import { ruleIdOf, ruleOf, TRUST_WORDS, trustOf } from "../../core/rulebook";
import { textIn } from "../format";
import { useUnits } from "../frame/current";
import { rulePath } from "../rules/words";

/** The rule behind a sentence, one click away, with how far its numbers can be trusted: as far as the least of them. */
export function RuleNote({ rule }: { rule: string }) {
  const [id, r] = [ruleIdOf(rule), ruleOf(rule)];
  if (!id || !r) return null;
  return (
    <span className="block text-note leading-[14px] text-ink2">
      <Link className="link" to={rulePath(id)}>
        {r.title}
      </Link>
      . {TRUST_WORDS[trustOf(r)]}
      {r.trust === "pub" ? `${trustOf(r) === "pub" ? "" : " in its numbers"}; ${r.source}` : ""}.
    </span>
  );
}

export function WhyList({ reasons, sources = false }: { reasons: readonly Why[]; sources?: boolean }) {
  const units = useUnits();
  const seen = new Set<string>();
  const unique = reasons
    .filter((r) => !seen.has(r.text) && seen.add(r.text))
    .map((r) => ({ ...r, text: textIn(r.text, units) }));
  return (
    <ul className={sources ? "space-y-1.5" : ""}>
      {unique.map((r) => (
        <li key={r.text} className="relative pl-4 text-label leading-4 cond-s">
          <span
            className={`absolute ${sources ? "top-[7px]" : "top-[11px]"} left-px w-2 border-t-[1.5px] border-ground`}
          />
          {sources ? (
            <>
              {r.text}
              <RuleNote rule={r.rule} />
            </>
          ) : (
            <Link
              className="block py-1 text-left text-inherit hover:underline"
              to={rulePath(ruleIdOf(r.rule) ?? r.rule)}
              title={`Rule: ${ruleOf(r.rule)?.title ?? r.rule}`}
            >
              {r.text}
            </Link>
          )}
        </li>
      ))}
    </ul>
  );
}
