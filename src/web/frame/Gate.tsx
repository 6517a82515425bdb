/** The door: whoever is not signed in sees the sign-in, and nothing else, where people are asked who they are. */
import { useQueryClient } from "@tanstack/react-query";
import { lazy, type ReactNode, Suspense, useEffect, useState } from "react";
import { onSignedOut } from "../data/api";
import { rememberAccount, SESSION_KEY, useSignedIn } from "../data/session";

const AthleteHere = lazy(() => import("../sign/AthleteHere"));
const SignIn = lazy(() => import("../sign/SignIn"));

export function Gate({ children }: { children: ReactNode }) {
  const client = useQueryClient();
  const session = useSignedIn();
  useEffect(() => onSignedOut(() => void client.invalidateQueries({ queryKey: SESSION_KEY })), [client]);
  const state = session.data;
  const shut = state !== undefined && state.mode !== "open" && state.account === null;
  const joining = location.pathname === "/join";
  // What stood on the screen stays under the sign-in, with what was typed: a session may end in the middle of a sentence.
  const [entered, setEntered] = useState(false);
  useEffect(() => {
    if (!state || shut || joining) return;
    setEntered(true);
    rememberAccount(state.account?.name ?? "");
  }, [state, shut, joining]);
  if (session.isPending) return null;
  return (
    <>
      {state?.account?.role === "athlete" ? (
        <Suspense fallback={null}>
          <AthleteHere name={state.account.shown} />
        </Suspense>
      ) : (
        (entered || !(shut || joining)) && children
      )}
      {(shut || joining) && (
        <Suspense fallback={null}>
          <SignIn first={state?.mode === "first"} mayStayOpen={state?.mayStayOpen ?? false} />
        </Suspense>
      )}
    </>
  );
}
