/** Every view with its address and what tells that it is drawn: for axe, for widths, for pictures of the whole matrix. */
import type { Page } from "@playwright/test";

interface Row {
  id: string;
  name: string;
  today: { label: string } | null;
}
export const rowsOf = async (page: Page): Promise<Row[]> => (await (await page.request.get("/api/squad")).json()).rows;

/** @param name as it begins */
export async function idOf(page: Page, name: string): Promise<string> {
  const row = (await rowsOf(page)).find((r) => r.name.startsWith(name));
  if (!row) throw new Error(`Nobody is called ${name}.`);
  return row.id;
}

/** The day of an athlete's next session of a letter after this week: it is the planner's to choose. */
export const nextDay = async (page: Page, id: string, label: string): Promise<string> => {
  const { sessions } = await (await page.request.get(`/api/athletes/${id}`)).json();
  return sessions.find((s: { date: string; label: string }) => s.label === label && s.date > "2026-03-08")?.date;
};

/** Goes to a view inside the application, as a link does: nothing is loaded twice. */
export async function goInside(page: Page, path: string): Promise<void> {
  if (!page.url().startsWith("http")) {
    await page.goto(path);
    return;
  }
  await page.evaluate((to) => {
    history.pushState({}, "", to);
    dispatchEvent(new PopStateEvent("popstate", { state: {} }));
  }, path);
}

/** No view is wider than its window. */
export const fits = (page: Page): Promise<boolean> =>
  page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth);

/** Text of drawings that is cut off by their frame. */
export const cutText = (page: Page): Promise<(string | null)[]> =>
  page.evaluate(() =>
    [...document.querySelectorAll("main svg text, aside svg text")].flatMap((t) => {
      const [box, frame] = [t.getBoundingClientRect(), t.closest("svg")!.getBoundingClientRect()];
      const cut =
        box.width > 0 &&
        (box.left < frame.left - 1 ||
          box.right > frame.right + 1 ||
          box.top < frame.top - 2 ||
          box.bottom > frame.bottom + 2);
      return cut ? [t.textContent] : [];
    }),
  );

/** Everything a view says: its text, and what it tells those who do not see it. */
export const wordsOf = (page: Page): Promise<string> =>
  page.evaluate(() =>
    [
      document.body.innerText,
      ...[...document.querySelectorAll("[aria-label],[title],[placeholder]")].flatMap((e) =>
        ["aria-label", "title", "placeholder"].map((a) => e.getAttribute(a) ?? ""),
      ),
    ].join("\n"),
  );

/** Name, address of an athlete's view (DAY is the day of the next heavy session), what tells that it is drawn: at a desk, and on a phone where that differs. */
export const VIEWS: [string, (id: string) => string, string, string?][] = [
  ["squad", () => "/", "tbody tr", "main li a"],
  ["today", () => "/today", "main h1"],
  ["season", (id) => `/a/${id}/season`, "svg[aria-label^='Season, ']"],
  ["week", (id) => `/a/${id}/week/2026-03-09`, "svg[aria-label^='Week drawn']", "main ol li"],
  ["session", (id) => `/a/${id}/session/DAY/A`, "section[aria-label=Time]", "main li"],
  ["approaches", () => "/approaches", "table caption"],
  ["approaches compared", () => "/approaches?tab=compare", "table caption"],
  ["who follows what", () => "/approaches?tab=follow", "#follow-all"],
  ["session by hand", (id) => `/a/${id}/session/DAY/A/edit`, "[data-testid=edit-minutes]"],
  ["lift", (id) => `/a/${id}/lifts/trap-bar-deadlift`, "[data-testid=lift-entry]"],
  ["review", (id) => `/a/${id}/review`, "main svg text"],
  ["card", (id) => `/a/${id}/card/DAY/A`, "[data-testid=card-row]"],
  ["records", (id) => `/a/${id}/records`, "tbody tr"],
  ["import", (id) => `/a/${id}/import`, "aside h2"],
  ["what if", (id) => `/a/${id}/what-if`, "main svg"],
  ["season sheet", (id) => `/a/${id}/season-sheet`, "main svg"],
  ["rules", () => "/rules/week/full-dose", "main h3"],
  ["terms", () => "/rules?tab=terms", "dl dt"],
  ["gym", () => "/gym/2026-03-10", "main svg rect"],
  ["club calendar", () => "/calendar", "main svg"],
  ["club week", () => "/club-week", "main a[href*='/club/week/']"],
  ["results", () => "/results", "main input[type=search]"],
  ["groups", () => "/groups", "main li h2"],
  ["change several", () => "/several?group=demo-tuesday", "main li p"],
  ["group hour", () => "/groups/demo-tuesday/session/2026-03-10", "main table tbody tr"],
  ["group floor", () => "/groups/demo-tuesday/floor", "main li section"],
  ["spreadsheets", () => "/spreadsheets", "#sheet-own"],
  ["came in", () => "/came-in", "main li"],
  ["phone", (id) => `/a/${id}/phone`, "main li"],
  ["club data", () => "/club-data", "table"],
  ["accounts", () => "/accounts", "main table tbody tr"],
  ["health", (id) => `/a/${id}/health`, "main h2"],
  ["screening", (id) => `/a/${id}/screening`, "main svg text"],
  ["a test of the screen", (id) => `/a/${id}/screening/run`, "fieldset"],
  ["library", () => "/library/front-squat", "section svg"],
  ["homework", (id) => `/a/${id}/homework`, "main ol li"],
  ["new athlete", () => "/new", "#f-name"],
  ["intake: athlete", (id) => `/a/${id}/intake/athlete`, "#f-name"],
  ["intake: plan", (id) => `/a/${id}/intake/plan`, "#p-start"],
  ["intake: health", (id) => `/a/${id}/intake/health`, "main svg circle"],
  ["intake: places", (id) => `/a/${id}/intake/places`, "[role=tabpanel]"],
  ["intake: week", (id) => `/a/${id}/intake/week`, "main svg rect"],
  ["intake: endurance", (id) => `/a/${id}/intake/endurance`, "#m-sessions"],
  ["usual week", (id) => `/a/${id}/usual-week`, "[aria-label^='Usual week']"],
  ["endurance plan", (id) => `/a/${id}/season?plan`, "aside h2"],
  ["intake: start", (id) => `/a/${id}/intake/start`, "main select"],
];
