/** The frame: title block, rail, status bar; on a phone a top line and a bar at the bottom. Every view stands in its middle. */
import { lazy, Suspense, useEffect, useState } from "react";
import { Outlet, useLocation, useMatch, useNavigate } from "react-router";
import type { SquadRow } from "../../api/views";
import { useSquad } from "../data/hooks";
import { useKeys } from "../ui/keys";
import { Told } from "../ui/Told";
import { useUndo } from "../ui/undo";
import { usePhone } from "../ui/usePhone";
import { useCurrentRow, useGoTo } from "./current";
import { Notices } from "./Notices";
import { useViews } from "./offered";
import { BottomBar, PhoneTop } from "./PhoneBars";
import { Rail } from "./Rail";
import { StatusBar } from "./StatusBar";
import { TitleBlock } from "./TitleBlock";
import { addressOf } from "./views";

const loadPalette = () => import("../ui/Palette");
const Palette = lazy(loadPalette);
const GuidePanel = lazy(() => import("../guide/GuidePanel"));
const KeySheet = lazy(() => import("./KeySheet"));
const History = lazy(() => import("./History"));
const FOLDED = "field-anchor:rail-folded";
/** The page of the guide that is open, kept over a reload. */
const GUIDE = "field-anchor:guide";

interface Opens {
  palette: () => void;
  help: () => void;
  athletes: () => void;
  history: () => void;
}

/** Undo and redo of what was changed of the athlete on screen. */
function useUndoKeys(id: string | undefined): void {
  const { undo, redo } = useUndo(id ?? "");
  useKeys(
    "undo",
    id === undefined
      ? []
      : [
          { key: "ctrl+z", label: "undo", run: undo, bar: true },
          { key: "ctrl+shift+z", label: "redo", run: redo },
          { key: "ctrl+y", label: "redo", run: redo },
        ],
  );
}

/** Keys that work on every view. */
function useFrameKeys(rows: readonly SquadRow[], row: SquadRow | undefined, goTo: (id: string) => void, open: Opens) {
  const navigate = useNavigate();
  const viewsOf = useViews(row?.id);
  const step = (by: number) => {
    const at = rows.findIndex((r) => r.id === row?.id);
    const next = rows[(at + by + rows.length) % rows.length];
    if (next) goTo(next.id);
  };
  useKeys("frame", [
    { key: "ctrl+k", label: "search and go to", run: open.palette },
    { key: "?", label: "all keys", run: open.help, bar: true },
    { key: "a", label: "choose athlete", run: open.athletes },
    { key: "z", label: "changes of the athlete", run: open.history },
    { key: "[", label: "athlete before", run: () => step(-1) },
    { key: "]", label: "next athlete", run: () => step(1) },
    ...[...viewsOf("club"), ...viewsOf("athlete")].flatMap((v) =>
      v.key === undefined
        ? []
        : [
            {
              key: v.key,
              label: v.name,
              run: () => (v.group === "club" || row) && navigate(addressOf(v, row?.id ?? "")),
            },
          ],
    ),
  ]);
}

export function Frame() {
  const current = useCurrentRow();
  const { pathname } = useLocation();
  // While a new athlete is entered, nobody else stands in the title block.
  const row = pathname === "/new" ? undefined : current;
  const rows = useSquad().data?.rows ?? [];
  const goTo = useGoTo();
  const phone = usePhone();
  const [palette, setPalette] = useState(false);
  // It is there before it is asked for: what is typed right after its key is typed into it.
  useEffect(() => void loadPalette(), []);
  const [help, setHelp] = useState(false);
  const [history, setHistory] = useState(false);
  const own = useMatch("/a/:id/*")?.params.id;
  useUndoKeys(own);
  const [guide, setGuide] = useState(() => sessionStorage.getItem(GUIDE));
  const openGuide = (page: string | null) => {
    if (page === null) sessionStorage.removeItem(GUIDE);
    else sessionStorage.setItem(GUIDE, page);
    setGuide(page);
  };
  const [told, setTold] = useState(false);
  const [switcher, setSwitcher] = useState(false);
  const [folded, setFolded] = useState(() => localStorage.getItem(FOLDED) === "1");
  const fold = (next: boolean) => {
    localStorage.setItem(FOLDED, next ? "1" : "0");
    setFolded(next);
  };
  useFrameKeys(rows, row, goTo, {
    palette: () => setPalette(true),
    help: () => setHelp(true),
    athletes: () => setSwitcher(true),
    history: () => setHistory(row !== undefined),
  });

  return (
    <div
      data-rail={folded ? "folded" : "open"}
      data-told={told || undefined}
      className="frame h-full print:block print:h-auto"
    >
      <a href="#view" className="skip">
        Skip to the view
      </a>
      {phone ? (
        <PhoneTop row={row} rows={rows} goTo={goTo} />
      ) : (
        <>
          <TitleBlock row={row} rows={rows} switcher={switcher} setSwitcher={setSwitcher} goTo={goTo} />
          <Rail athlete={row} folded={folded} onFold={fold} onGuide={() => openGuide(guide === null ? "" : null)} />
        </>
      )}
      <div id="view" tabIndex={-1} className="flex min-h-0 min-w-0 flex-col outline-none max-[700px]:col-span-2">
        <Notices />
        <div className="flex min-h-0 flex-1">
          <div className="h-full min-w-0 flex-1">
            <Outlet />
          </div>
          {guide !== null && (
            <Suspense fallback={null}>
              <GuidePanel page={guide} row={row} onPage={openGuide} onClose={() => openGuide(null)} />
            </Suspense>
          )}
        </div>
      </div>
      {phone ? (
        <BottomBar
          row={row}
          onSearch={() => setPalette(true)}
          onHistory={() => setHistory(true)}
          onGuide={() => openGuide("")}
        />
      ) : (
        <StatusBar row={row} onHistory={() => setHistory(true)} />
      )}
      {palette && (
        <Suspense fallback={null}>
          <Palette rows={rows} current={row?.id ?? null} onGuide={openGuide} onClose={() => setPalette(false)} />
        </Suspense>
      )}
      {history && row && (
        <Suspense fallback={null}>
          <History id={row.id} name={row.name} onClose={() => setHistory(false)} />
        </Suspense>
      )}
      {help && (
        <Suspense fallback={null}>
          <KeySheet open onClose={() => setHelp(false)} />
        </Suspense>
      )}
      <Told
        position="bottom-center"
        offset={{ bottom: 0 }}
        mobileOffset={{ bottom: 60, left: 0, right: 0 }}
        onShown={setTold}
      />
    </div>
  );
}
