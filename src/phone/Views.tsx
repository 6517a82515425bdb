/** The views of the phone in their frame; Today is there at once, the others come when they are opened. */
import { lazy, Suspense } from "react";
import { Route, Routes } from "react-router";
import { Shell } from "./Shell";
import { TodayView } from "./Today";

const Week = lazy(() => import("./Week"));
const Lifts = lazy(() => import("./Lifts"));
const Talk = lazy(() => import("./Talk"));
const Me = lazy(() => import("./Me"));
const Session = lazy(() => import("./Session"));

export default function Views() {
  return (
    <Shell>
      <Suspense fallback={null}>
        <Routes>
          <Route path="/week" element={<Week />} />
          <Route path="/lifts" element={<Lifts />} />
          <Route path="/talk" element={<Talk />} />
          <Route path="/me" element={<Me />} />
          <Route path="/a/:id/session/:date/:label" element={<Session />} />
          <Route path="*" element={<TodayView />} />
        </Routes>
      </Suspense>
    </Shell>
  );
}
