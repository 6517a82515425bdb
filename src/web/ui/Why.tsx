/** Reasons: one sentence each with its rule; the rule opens to say how far it can be trusted and where it comes from. */
import { Popover } from "radix-ui";
import type { ReactNode } from "react";
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

/** Any figure that can be asked: one action opens its reasons with their rules. */
export function Asked({
  reasons,
  children,
  className = "",
  label,
}: {
  reasons: readonly Why[];
  children: ReactNode;
  className?: string;
  label?: string;
}) {
  if (reasons.length === 0) return <span className={className}>{children}</span>;
  return (
    <Popover.Root>
      <Popover.Trigger
        aria-label={label}
        data-why=""
        className={`${className} decoration-edge decoration-dotted underline-offset-4 hover:underline`}
      >
        {children}
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label="Why"
          sideOffset={6}
          collisionPadding={12}
          className="fade z-50 w-[300px] rounded-[3px] border border-edge bg-panel p-3 shadow-pop"
        >
          <h3 className="mb-1.5 text-label font-semibold text-ink2">Why</h3>
          <WhyList reasons={reasons} sources />
          <Popover.Arrow className="fill-edge" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
