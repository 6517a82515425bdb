/** The frame of the athlete's phone: where it stands at the top, five ways on at the bottom, and what waits in between. */
import { MessageSquare, TrendingUp, User } from "lucide-react";
import { lazy, type ReactNode, Suspense } from "react";
import { Link, NavLink, useLocation } from "react-router";
import { SessionGlyph, WarnIcon, WeekGlyph } from "../web/ui/glyphs";
import { Failed, LoadingNote } from "../web/ui/State";
import { Told } from "../web/ui/Told";
import { dismiss } from "./sync";
import { usePhone } from "./usePhone";

const Join = lazy(() => import("./Join"));

const tab =
  "relative flex h-14 min-w-0 flex-1 flex-col items-center justify-center gap-1 text-label [&_svg]:h-[22px] [&_svg]:w-[22px]";
const on = "font-semibold text-iron before:absolute before:inset-x-3 before:top-0 before:h-[3px] before:bg-iron";
const look = { strokeWidth: 1.6, "aria-hidden": true } as const;
const TABS: readonly { to: string; name: string; glyph: ReactNode }[] = [
  { to: "/", name: "Today", glyph: <SessionGlyph /> },
  { to: "/week", name: "Week", glyph: <WeekGlyph /> },
  { to: "/lifts", name: "Lifts", glyph: <TrendingUp {...look} /> },
  { to: "/talk", name: "Talk", glyph: <MessageSquare {...look} /> },
  { to: "/me", name: "Me", glyph: <User {...look} /> },
];

export function Shell({ children }: { children: ReactNode }) {
  const { mode, screen, fault } = usePhone();
  const { pathname } = useLocation();
  if (mode === "new" || (mode === "out" && pathname === "/join"))
    return (
      <Suspense fallback={null}>
        <Join />
      </Suspense>
    );
  if (!screen) return fault ? <Fault text={fault} /> : <LoadingNote what="your plan" />;
  return (
    <div className="mx-auto flex h-dvh max-w-[520px] min-w-[320px] flex-col bg-paper text-lead [&_.btn]:text-lead">
      <div className="min-h-0 flex-1 overflow-auto">{children}</div>
      <nav aria-label="Main" className="flex flex-none border-t border-hair bg-panel pb-[env(safe-area-inset-bottom)]">
        {TABS.map((t) => (
          <NavLink
            key={t.to}
            to={t.to}
            end={t.to === "/"}
            className={({ isActive }) => `${tab} ${isActive ? on : "text-ink2"}`}
          >
            {t.glyph} {t.name}
          </NavLink>
        ))}
      </nav>
      <Told position="top-center" offset={{ top: 64 }} mobileOffset={{ top: 64, left: 0, right: 0 }} />
    </div>
  );
}

/** There was never a plan on this phone that could be shown instead. */
const Fault = ({ text }: { text: string }) => (
  <main className="h-dvh text-lead [&_.btn]:min-h-11">
    <h1 className="sr-only">Your plan</h1>
    <Failed error={new Error(text)} retry={() => location.reload()} what="Your plan" />
  </main>
);

/** Title of a view, what of it is saved, and what waits. */
export function Head({ title, note }: { title: string; note: string }) {
  const { waiting, online, mode, refused, fault } = usePhone();
  return (
    <>
      <header className="flex items-start justify-between gap-3 border-b-[1.5px] border-ground bg-panel px-4 pt-2.5 pb-2">
        <div className="min-w-0">
          <h1 className="text-figure leading-7 font-[650]">{title}</h1>
          <p className="text-label text-ink2">{note}</p>
        </div>
        <p role="status" className="flex-none pt-1.5 text-label text-ink2">
          {waiting === "" ? "saved" : "saved here"}
        </p>
      </header>
      {fault && (
        <p role="alert" className="flex gap-2 bg-brick-l px-4 py-2 text-body text-brick-ink">
          <WarnIcon /> {fault}
        </p>
      )}
      {mode === "out" && (
        <p role="alert" className="bg-brick-l px-4 py-2 text-body text-brick-ink">
          This phone was signed out. What you entered is kept here; ask your coach for a new invitation, and it will be
          sent.{" "}
          <Link className="underline" to="/join">
            I have one
          </Link>
        </p>
      )}
      {(!online || waiting !== "") && mode !== "out" && (
        <p role="status" aria-label="What waits" className="flex justify-between gap-3 bg-rest px-4 py-2 text-body">
          <span>
            {online ? "" : "No network. "}
            {waiting === ""
              ? "Nothing waits to be sent."
              : `${waiting} ${/^1 [a-z]+$/.test(waiting) ? "waits" : "wait"} on this phone.`}
          </span>
          {waiting !== "" && <b className="flex-none font-semibold">held safely</b>}
        </p>
      )}
      {refused.map((r) => (
        <p key={r.id} role="alert" className="flex items-start gap-2 bg-brick-l px-4 py-2 text-body text-brick-ink">
          <span className="flex-1">{r.why}</span>
          <button type="button" className="min-h-11 flex-none underline" onClick={() => void dismiss(r.id)}>
            Seen
          </button>
        </p>
      ))}
    </>
  );
}

/** A block of a view. */
export function Card({ title, aside, children }: { title?: string; aside?: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="rounded-[3px] border border-hair bg-panel px-3.5 py-3">
      {title && (
        <h2 className="mb-1 flex justify-between gap-3 text-label font-semibold text-ink2">
          <span>{title}</span>
          {aside && <span className="font-normal">{aside}</span>}
        </h2>
      )}
      {children}
    </section>
  );
}
