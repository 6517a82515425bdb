/** The guide beside the view it speaks of: a list of tasks, or one task with its steps. */
import { Link } from "react-router";
import type { SquadRow } from "../../api/views";
import { ICON } from "../ui/glyphs";
import { usePhone } from "../ui/usePhone";
import { GUIDE, GUIDE_GROUPS, type GuidePage, guideAddress, partsOf } from "./pages";

interface Props {
  /** A page's id; anything else shows the list. */
  page: string;
  row: SquadRow | undefined;
  onPage: (page: string) => void;
  onClose: () => void;
}

export default function GuidePanel({ page, row, onPage, onClose }: Props) {
  const shown = GUIDE.find((p) => p.id === page);
  return (
    <aside
      aria-label="Guide"
      className="flex w-[300px] max-w-full flex-none flex-col overflow-hidden border-l-[1.5px] border-ground bg-panel max-[1100px]:fixed max-[1100px]:inset-y-0 max-[1100px]:right-0 max-[1100px]:z-40 max-[1100px]:shadow-pop max-[700px]:w-full print:hidden"
    >
      <header className="flex h-12 flex-none items-center gap-2 border-b border-hair pr-2 pl-4">
        <h2 className="flex-1 text-lead font-semibold">Guide</h2>
        {shown && (
          <button type="button" className="btn btn-sm" onClick={() => onPage("")}>
            All tasks
          </button>
        )}
        <button type="button" className="btn btn-sm btn-sq" aria-label="Close the guide" onClick={onClose}>
          {ICON.close}
        </button>
      </header>
      <div className="min-h-0 flex-1 overflow-auto px-4 py-3">
        {shown ? <Task page={shown} row={row} onView={onClose} /> : <Tasks onPage={onPage} />}
      </div>
    </aside>
  );
}

function Tasks({ onPage }: { onPage: (page: string) => void }) {
  return GUIDE_GROUPS.map((group) => (
    <section key={group} aria-label={group} className="mb-3">
      <h3 className="sec-h">{group}</h3>
      <ul>
        {GUIDE.filter((p) => p.group === group).map((p) => (
          <li key={p.id}>
            <button
              type="button"
              className="link flex min-h-8 w-full items-center text-left max-[700px]:min-h-11"
              onClick={() => onPage(p.id)}
            >
              {p.title}
            </button>
          </li>
        ))}
      </ul>
    </section>
  ));
}

function Task({ page, row, onView }: { page: GuidePage; row: SquadRow | undefined; onView: () => void }) {
  const phone = usePhone();
  const to = guideAddress(page, row?.id ?? null);
  return (
    <article aria-label={page.title}>
      <h3 className="mb-2 text-lead leading-6 font-semibold">{page.title}</h3>
      {to ? (
        <Link className="btn btn-pri mb-3" to={to} onClick={() => phone && onView()}>
          Open the view
        </Link>
      ) : (
        <p className="mb-3 text-ink2">It happens on a view of an athlete: choose one on the squad first.</p>
      )}
      <ol className="list-decimal space-y-2.5 pl-5">
        {page.steps.map((s) => (
          <li key={s} className="pl-1">
            <Marked text={s} />
          </li>
        ))}
      </ol>
      {page.note && (
        <p className="mt-4 border-t border-hair2 pt-3 text-ink2">
          <Marked text={page.note} />
        </p>
      )}
    </article>
  );
}

const Marked = ({ text }: { text: string }) =>
  partsOf(text).map((part, i) =>
    i % 2 === 0 ? (
      part
    ) : (
      <b key={part} className="font-semibold">
        {part}
      </b>
    ),
  );
