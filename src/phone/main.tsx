import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { setNonce } from "get-nonce";
import { lazy, StrictMode, Suspense } from "react";
import { createRoot } from "react-dom/client";
import { BrowserRouter, Route, Routes } from "react-router";
import "../web/app.css";
import { setTransport } from "../web/data/api";
import "../web/frame/theme";

import { afterChange, start, transport } from "./sync";
import { usePhone } from "./usePhone";

// Styles that libraries put into the page carry the page's nonce, so that no others are taken.
const nonce = document.querySelector<HTMLMetaElement>('meta[name="nonce"]')?.content;
if (nonce) setNonce(nonce);

// Everything that is shown is answered on the phone itself.
setTransport(transport);
const client = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 0, retry: 0, networkMode: "always" },
    mutations: { networkMode: "always" },
  },
});
afterChange(() => void client.invalidateQueries());

const Shell = lazy(() => import("./Views"));
const Floor = lazy(() => import("../web/routes/floor"));

/** The floor fills the screen, outside the frame; until what is kept here has been read, the frame says what is awaited, or asks whose phone this is. */
function FloorHere() {
  const { mode, screen } = usePhone();
  return mode === "new" || !screen ? <Shell /> : <Floor />;
}

void start();
// The service worker keeps the application on the phone; where there is none (an address without TLS), it needs the network to open.
if ("serviceWorker" in navigator)
  void navigator.serviceWorker.register("/p/sw.js", { scope: "/p/" }).catch(() => undefined);

const root = document.getElementById("root");
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={client}>
        <BrowserRouter basename="/p/">
          <Suspense fallback={null}>
            <Routes>
              <Route path="/a/:id/floor/:date/:label" element={<FloorHere />} />
              <Route path="*" element={<Shell />} />
            </Routes>
          </Suspense>
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
