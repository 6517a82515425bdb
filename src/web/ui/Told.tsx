/** Where messages stand: in the foot of the frame, or under the head at the rack. */
import { lazy, Suspense } from "react";
import type { MessagesProps } from "./Messages";

const Messages = lazy(() => import("./Messages"));

export const Told = (props: MessagesProps) => (
  <Suspense fallback={null}>
    <Messages {...props} />
  </Suspense>
);
