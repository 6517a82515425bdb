/** Search and go to: athletes, views and actions by name. */
import { Command } from "cmdk";
import { useNavigate } from "react-router";
import type { SquadRow } from "../../api/views";
import { useHome, useMay } from "../data/session";
import { SPORT_NAMES } from "../format";
import { useViews } from "../frame/offered";
import { chooseTheme, THEME_CHOICES, THEME_WORDS } from "../frame/theme";
import { addressOf } from "../frame/views";
import { GUIDE } from "../guide/pages";
import { GLOSSARY } from "../rules/words";

/** Every word that is typed must stand in a name; names that begin with it come first. */
function matches(value: string, typed: string): number {
  const name = value.toLowerCase();
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (!words.every((w) => name.includes(w))) return 0;
  return name.startsWith(words[0] ?? "") ? 1 : 0.5;
}

export default function Palette({
  rows,
  current,
  onGuide,
  onClose,
}: {
  rows: readonly SquadRow[];
  current: string | null;
  onGuide: (page: string) => void;
  onClose: () => void;
}) {
  const navigate = useNavigate();
  const viewsOf = useViews(current ?? undefined);
  const home = useHome();
  const go = (to: string) => () => {
    onClose();
    navigate(to);
  };
  const item = "flex cursor-pointer justify-between rounded-[3px] px-3 py-1.5 data-[selected=true]:bg-iron-l";
  const heading =
    "[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:py-1 [&_[cmdk-group-heading]]:text-note [&_[cmdk-group-heading]]:text-ink2";
  return (
    <Command.Dialog
      open
      onOpenChange={(o) => !o && onClose()}
      label="Search and go to"
      filter={matches}
      overlayClassName="fixed inset-0 z-40 bg-ink/30"
      contentClassName="fade fixed top-24 left-1/2 z-50 w-[460px] max-w-[calc(100vw-24px)] -translate-x-1/2 rounded-[3px] border border-edge bg-panel shadow-pop"
    >
      <Command.Input
        autoFocus
        placeholder="Athlete, view or action"
        className="h-11 w-full border-b border-hair bg-transparent px-4 text-lead outline-none"
      />
      <Command.List className="max-h-[50vh] overflow-auto p-1">
        <Command.Empty className="px-3 py-4 text-ink2">Nothing by that name.</Command.Empty>
        <Command.Group heading="Views" className={heading}>
          {[...viewsOf("club"), ...(current ? viewsOf("athlete") : [])].map((v) => (
            <Command.Item
              key={v.id}
              value={`${v.name} ${v.also ?? ""}`}
              className={item}
              onSelect={go(addressOf(v, current ?? ""))}
            >
              {v.name}
              {v.also && <span className="text-ink2">{v.also}</span>}
            </Command.Item>
          ))}
          <Command.Item value="Results races times places over the years" className={item} onSelect={go("/results")}>
            Results
          </Command.Item>
          <Command.Item value="Today lifting" className={item} onSelect={go("/today")}>
            Today
          </Command.Item>
        </Command.Group>
        <Command.Group heading="Athletes" className={heading}>
          {rows.map((r) => (
            <Command.Item key={r.id} value={`${r.name} ${r.id}`} className={item} onSelect={go(home(r.id))}>
              {r.name}
              <span className="text-ink2">{SPORT_NAMES[r.sport]}</span>
            </Command.Item>
          ))}
        </Command.Group>
        <GuidePages heading={heading} item={item} onClose={onClose} onGuide={onGuide} />
        <Command.Group heading="Terms" className={heading}>
          {GLOSSARY.map((t) => (
            <Command.Item
              key={t.term}
              value={`term ${t.term} ${t.also ?? ""}`}
              className={item}
              onSelect={go(`/rules?tab=terms&q=${encodeURIComponent(t.term)}`)}
            >
              <span>
                {t.term}
                {t.also && <span className="text-ink2"> {t.also}</span>}
              </span>
              <span className="max-w-[60%] truncate text-label text-ink2">{t.says}</span>
            </Command.Item>
          ))}
        </Command.Group>
        <Actions heading={heading} item={item} go={go} current={current} onClose={onClose} />
      </Command.List>
    </Command.Dialog>
  );
}

interface GuidePagesProps {
  heading: "[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:py-1 [&_[cmdk-group-heading]]:text-note [&_[cmdk-group-heading]]:text-ink2";
  item: "flex cursor-pointer justify-between rounded-[3px] px-3 py-1.5 data-[selected=true]:bg-iron-l";
  onClose: () => void;
  onGuide: (page: string) => void;
}

function GuidePages({ heading, item, onClose, onGuide }: GuidePagesProps) {
  return (
    <Command.Group heading="Guide" className={heading}>
      {GUIDE.map((p) => (
        <Command.Item
          key={p.id}
          value={`${p.title} how to guide help ${p.also}`}
          className={item}
          onSelect={() => {
            onClose();
            onGuide(p.id);
          }}
        >
          {p.title}
        </Command.Item>
      ))}
    </Command.Group>
  );
}

interface ActionsProps {
  heading: "[&_[cmdk-group-heading]]:px-3 [&_[cmdk-group-heading]]:py-1 [&_[cmdk-group-heading]]:text-note [&_[cmdk-group-heading]]:text-ink2";
  item: "flex cursor-pointer justify-between rounded-[3px] px-3 py-1.5 data-[selected=true]:bg-iron-l";
  go: (to: string) => () => void;
  current: string | null;
  onClose: () => void;
}

/** Changes for many by name, each opened at its fields. */
const SEVERAL = [
  ["closed", "Close a place for several athletes"],
  ["away", "Several athletes away"],
  ["race", "Enter a race for several athletes"],
  ["window", "Free time for several athletes"],
  ["note", "Week note for several athletes"],
  ["template", "Session template for several athletes"],
  ["approach", "Approach of several athletes"],
  ["usual-week", "Usual week for several athletes"],
] as const;

function Actions({ heading, item, go, current, onClose }: ActionsProps) {
  const may = useMay();
  return (
    <Command.Group heading="Actions" className={heading}>
      <Command.Item className={item} onSelect={go("/new")}>
        New athlete
      </Command.Item>
      {current && (
        <Command.Item className={item} onSelect={go(`/a/${current}/screening/run`)}>
          Start or go on with a screen
        </Command.Item>
      )}
      {may("groups") &&
        SEVERAL.map(([kind, words]) => (
          <Command.Item
            key={kind}
            value={`${words} change many at once`}
            className={item}
            onSelect={go(`/several?what=${kind}`)}
          >
            {words}
          </Command.Item>
        ))}
      {THEME_CHOICES.map((c) => (
        <Command.Item
          key={c}
          value={`theme ${c} ${c === "dusk" ? "dark" : c === "day" ? "light" : ""}`}
          className={item}
          onSelect={() => {
            onClose();
            chooseTheme(c);
          }}
        >
          Theme: {THEME_WORDS[c].toLowerCase()}
        </Command.Item>
      ))}
      <Command.Item className={item} onSelect={go("/?import=1")}>
        Import an athlete file
      </Command.Item>
      {current && (
        <Command.Item className={item} onSelect={go(`/a/${current}/records?add=race`)}>
          Add a race
        </Command.Item>
      )}
    </Command.Group>
  );
}
