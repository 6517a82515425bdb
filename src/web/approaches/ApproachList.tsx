/** All approaches by name: those that ship, and the coach's copies. */
import { useNavigate } from "react-router";
import type { ApproachesView, ApproachView } from "../../api/views";

function Entry({ view: v, here, onOpen }: { view: ApproachView; here: boolean; onOpen: () => void }) {
  const users = v.users.length;
  return (
    <button
      type="button"
      aria-current={here ? "page" : undefined}
      onClick={onOpen}
      className={`relative block w-full px-4 py-1.5 text-left ${here ? "bg-iron-l before:absolute before:inset-y-0 before:left-0 before:w-[3px] before:bg-iron" : "hover:bg-surface"}`}
    >
      <span className="block font-medium">{v.approach.name}</span>
      <span className="block text-label leading-4 text-ink2">
        {users === 0 ? "nobody follows it" : users === 1 ? (v.users[0]?.name ?? "") : `${users} athletes`}
      </span>
    </button>
  );
}

interface Props {
  view: ApproachesView;
  /** The one that is open; null where none is. */
  here: ApproachView | null;
}

export function ApproachList({ view, here }: Props) {
  const navigate = useNavigate();
  const own = view.approaches.filter((v) => v.own);
  const entries = (of: readonly ApproachView[]) =>
    of.map((v) => (
      <Entry key={v.approach.id} view={v} here={v === here} onOpen={() => navigate(`/approaches/${v.approach.id}`)} />
    ));
  return (
    <nav aria-label="Approaches" className="min-h-0 overflow-auto border-r border-hair bg-panel py-3">
      <h2 className="sec-h px-4">As they ship</h2>
      {entries(view.approaches.filter((v) => !v.own))}
      <h2 className="sec-h mt-4 px-4">Your copies</h2>
      {entries(own)}
      {own.length === 0 && (
        <p className="px-4 text-label leading-4 text-ink2">None yet. Copy one to change it; the shipped ones stay.</p>
      )}
    </nav>
  );
}
