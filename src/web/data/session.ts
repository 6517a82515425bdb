/** Who is signed in, and signing in and out. */
import { type QueryClient, useQuery } from "@tanstack/react-query";
import { may, type Need, NOBODY_ASKED, type Who } from "../../api/roles";
import type { SessionStateView } from "../../api/views";
import { get, readOn } from "./api";

export const SESSION_KEY = ["session"];

export const useSignedIn = () =>
  useQuery({ queryKey: SESSION_KEY, queryFn: () => get<SessionStateView>("/session"), staleTime: 60_000, retry: 0 });

const whoOf = (state: SessionStateView | undefined): Who =>
  state?.account ? { role: state.account.role, athletes: state.athletes } : NOBODY_ASKED;

/** Whether whoever sits here may do something. Until the server has said who they are, what they ask for is asked of the server. */
export function useMay(): (need: Need, athlete?: string | null) => boolean {
  const { data } = useSignedIn();
  return (need, athlete = null) => may(whoOf(data), need, athlete);
}

/** Where an athlete is opened: in the week, or in the gym of the day for whoever is not shown weeks. */
export function useHome(): (athlete: string) => string {
  const may = useMay();
  return (athlete) => (may("plan.read", athlete) ? `/a/${athlete}/week` : "/gym");
}

/** Who sat here last. */
const LAST = "field-anchor:account";

/** The same person goes on where they were; anybody else begins anew, and sees nothing of the one before. */
export async function afterSignIn(client: QueryClient): Promise<void> {
  const state = await client.fetchQuery({
    queryKey: SESSION_KEY,
    queryFn: () => get<SessionStateView>("/session"),
    staleTime: 0,
  });
  const now = state.account?.name ?? "";
  const same = sessionStorage.getItem(LAST) === now;
  sessionStorage.setItem(LAST, now);
  if (same) readOn();
  else location.assign("/");
}

/** @param name of the account that this page was opened with */
export const rememberAccount = (name: string): void => sessionStorage.setItem(LAST, name);
