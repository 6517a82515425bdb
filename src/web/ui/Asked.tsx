/** Any figure that can be asked. What answers is read in when something is asked first. */
import { Popover } from "radix-ui";
import { lazy, type ReactNode, Suspense } from "react";
import type { Why } from "../../core/rulebook";

const WhyList = lazy(() => import("./Why").then((m) => ({ default: m.WhyList })));

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
          <Suspense fallback={<p className="text-label text-ink2">Looking it up…</p>}>
            <WhyList reasons={reasons} sources />
          </Suspense>
          <Popover.Arrow className="fill-edge" />
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
