import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { setNonce } from "get-nonce";
import { StrictMode } from "react";
import { createRoot } from "react-dom/client";
import { createBrowserRouter, RouterProvider } from "react-router";
import "./app.css";
import { onForget } from "./data/forget";
import { Frame } from "./frame/Frame";
import { Gate } from "./frame/Gate";
import SquadView from "./routes/squad";
import { Conflicts } from "./ui/Conflicts";
import { Crash } from "./ui/Crash";
import { KeysProvider } from "./ui/keys";

// Without a connection a call fails at once, so that the floor can keep what was logged and say so.
// Styles that libraries put into the page carry the page's nonce, so that no others are taken.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="nonce"]')?.content;
if (nonce) setNonce(nonce);

const client = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 5_000, retry: 1, refetchOnWindowFocus: true, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});

/** Views other than the first are fetched when they are opened. */
const view = (load: () => Promise<{ default: React.ComponentType }>) => async () => ({
  Component: (await load()).default,
});

const router = createBrowserRouter([
  {
    Component: Frame,
    ErrorBoundary: Crash,
    HydrateFallback: () => null,
    children: [
      { path: "/", Component: SquadView },
      { path: "/today", lazy: view(() => import("./routes/today")) },
      { path: "/a/:id/season", lazy: view(() => import("./routes/season")) },
      { path: "/a/:id/week/:monday?", lazy: view(() => import("./routes/week")) },
      { path: "/a/:id/session/:date?/:label?", lazy: view(() => import("./routes/session")) },
      { path: "/a/:id/records", lazy: view(() => import("./routes/records")) },
      { path: "/a/:id/import", lazy: view(() => import("./routes/import")) },
      { path: "/a/:id/usual-week", lazy: view(() => import("./routes/usualWeek")) },
      { path: "/a/:id/what-if", lazy: view(() => import("./routes/whatIf")) },
      { path: "/a/:id/season-sheet", lazy: view(() => import("./routes/seasonSheet")) },
      { path: "/gym/:date?", lazy: view(() => import("./routes/gym")) },
      { path: "/club-week/:monday?", lazy: view(() => import("./routes/clubWeek")) },
      { path: "/results", lazy: view(() => import("./routes/results")) },
      { path: "/groups", lazy: view(() => import("./routes/groups")) },
      { path: "/groups/:group/session/:date?", lazy: view(() => import("./routes/groupSession")) },
      { path: "/spreadsheets", lazy: view(() => import("./routes/spreadsheets")) },
      { path: "/several", lazy: view(() => import("./routes/several")) },
      { path: "/came-in", lazy: view(() => import("./routes/cameIn")) },
      { path: "/a/:id/phone", lazy: view(() => import("./routes/phone")) },
      { path: "/calendar", lazy: view(() => import("./routes/calendar")) },
      { path: "/new", lazy: view(() => import("./routes/intake")) },
      { path: "/a/:id/intake/:step?", lazy: view(() => import("./routes/intake")) },
      { path: "/a/:id/health", lazy: view(() => import("./routes/health")) },
      { path: "/a/:id/screening", lazy: view(() => import("./routes/screening")) },
      { path: "/a/:id/screening/run", lazy: view(() => import("./routes/screen")) },
      { path: "/library/:exercise?", lazy: view(() => import("./routes/library")) },
      { path: "/approaches/:approach?", lazy: view(() => import("./routes/approaches")) },
      { path: "/a/:id/lifts/:exercise?", lazy: view(() => import("./routes/lifts")) },
      { path: "/a/:id/review", lazy: view(() => import("./routes/review")) },
      { path: "/a/:id/session/:date/:label/edit", lazy: view(() => import("./routes/sessionEdit")) },
      { path: "/a/:id/card/:date/:label", lazy: view(() => import("./routes/card")) },
      { path: "/a/:id/homework", lazy: view(() => import("./routes/homework")) },
      { path: "/rules/:chapter?/:rule?", lazy: view(() => import("./routes/rules")) },
      { path: "/accounts", lazy: view(() => import("./routes/accounts")) },
      { path: "/club-data", lazy: view(() => import("./routes/clubData")) },
      { path: "*", lazy: view(() => import("./routes/missing")) },
    ],
  },
  {
    path: "/groups/:group/floor",
    lazy: view(() => import("./routes/groupFloor")),
    ErrorBoundary: Crash,
    HydrateFallback: () => null,
  },
  {
    path: "/a/:id/floor/:date/:label",
    lazy: view(() => import("./routes/floor")),
    ErrorBoundary: Crash,
    HydrateFallback: () => null,
  },
]);

onForget((id) => client.removeQueries({ type: "inactive", predicate: (q) => q.queryKey.includes(id) }));

const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <KeysProvider>
          <Gate>
            <RouterProvider router={router} />
            <Conflicts />
          </Gate>
        </KeysProvider>
      </QueryClientProvider>
    </StrictMode>,
  );
