/** Who is signed in, and signing in and out. */
import { type QueryClient, useQuery } from "@tanstack/react-query";
import { may, type Need, NOBODY_ASKED, type Who } from "../../api/roles";
import type { SessionStateView } from "../../api/views";
import { get } from "./api";

export const SESSION_KEY = ["session"];

export const useSession = () =>
  useQuery({ queryKey: SESSION_KEY, queryFn: () => get<SessionStateView>("/session"), staleTime: 60_000, retry: 0 });

const whoOf = (state: SessionStateView | undefined): Who =>
  state?.account ? { role: state.account.role, athletes: state.athletes } : NOBODY_ASKED;

/** Whether whoever sits here may do something. Until the server has said who they are, what they ask for is asked of the server. */
export function useMay(): (need: Need, athlete?: string | null) => boolean {
  const { data } = useSession();
  return (need, athlete = null) => may(whoOf(data), need, athlete);
}

/** Nothing of the one before is shown to the next. */
export async function afterSignIn(client: QueryClient): Promise<void> {
  client.removeQueries({ predicate: (q) => q.queryKey[0] !== SESSION_KEY[0] });
  await client.invalidateQueries();
}
