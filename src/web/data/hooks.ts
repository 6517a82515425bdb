/** Query and mutation hooks. Every write refreshes what is shown of that athlete, and the squad. */
import {
  type QueryClient,
  type QueryKey,
  useIsMutating,
  useMutation,
  useQuery,
  useQueryClient,
} from "@tanstack/react-query";
import type { EnduranceBody, MergeLogBody, RaceBody } from "../../api/requests";
import type {
  AthleteView,
  ClubView,
  ErasedView,
  ImportedView,
  SeasonView,
  SessionsView,
  SessionView,
  SquadView,
  WeekView,
} from "../../api/views";
import type { Label, LockedSession, StrengthLog, Window } from "../../core/athlete";
import { del, get, post, postText, put } from "./api";
import { forgetAthlete, keptAthletes } from "./forget";
import { markSaved } from "./saved";

export const useClub = () => useQuery({ queryKey: ["club"], queryFn: () => get<ClubView>("/club"), staleTime: 60_000 });
/** The club calendar's query. */
export const CALENDAR_KEY = ["calendar"];
/** Rows that tell an older state are asked for again after so long, ms. */
const BEHIND_MS = 1000;
export const useSquad = () =>
  useQuery({
    queryKey: ["squad"],
    queryFn: async () => {
      const squad = await get<SquadView>("/squad");
      // Whoever is not in the club any more may have been erased on another device: asking tells, and lets go of what is kept here.
      const gone = keptAthletes().filter((id) => !squad.rows.some((r) => r.id === id));
      await Promise.all(gone.map((id) => get(`/athletes/${id}/edits`).catch(() => undefined)));
      return squad;
    },
    refetchInterval: ({ state }) => ((state.data?.behind.length ?? 0) > 0 ? BEHIND_MS : false),
  });
export const useAthlete = (id: string) =>
  useQuery({ queryKey: ["a", id, "record"], queryFn: () => get<AthleteView>(`/athletes/${id}`) });
/** Days of the sessions around today. */
export const useSessions = (id: string) =>
  useQuery({ queryKey: ["a", id, "sessions"], queryFn: () => get<SessionsView>(`/athletes/${id}/sessions`) });
export const useSeason = (id: string) =>
  useQuery({ queryKey: ["a", id, "season"], queryFn: () => get<SeasonView>(`/athletes/${id}/season`) });
export const useWeek = (id: string, monday: string) =>
  useQuery({
    queryKey: ["a", id, "week", monday],
    queryFn: () => get<WeekView>(`/athletes/${id}/weeks/${monday}`),
    enabled: monday !== "",
    placeholderData: (before) => before,
  });
export const useSession = (id: string, date: string, label: string) =>
  useQuery({
    queryKey: ["a", id, "session", date, label],
    queryFn: () => get<SessionView>(`/athletes/${id}/sessions/${date}/${label}`),
    enabled: date !== "",
  });

/**
 * Reads anew what a write may have changed. A first answer still on its way was read before the write, and invalidating alone would let
 * it win: it is called off first.
 * @param keys what to read anew; none is everything
 */
export async function renew(client: QueryClient, ...keys: QueryKey[]): Promise<void> {
  const filters = keys.length > 0 ? keys.map((queryKey) => ({ queryKey })) : [{}];
  await Promise.all(filters.map((f) => client.cancelQueries(f)));
  await Promise.all(filters.map((f) => client.invalidateQueries(f)));
}

const changeKey = (id: string): string[] => ["a", id, "change"];

/** A write about one athlete. */
export function useChange<V, R = unknown>(id: string, write: (value: V) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({
    mutationKey: changeKey(id),
    mutationFn: write,
    onSuccess: async () => {
      markSaved();
      await renew(client, ["a", id], ["squad"], CALENDAR_KEY);
    },
  });
}

/**
 * Whether a write about an athlete, or the reading after it, is under way at the moment of asking; draws anew when that changes. What
 * is worked out from the facts meanwhile would be worked out from old ones.
 */
export function useChanging(id: string): () => boolean {
  const client = useQueryClient();
  const filter = { mutationKey: changeKey(id) };
  useIsMutating(filter);
  return () => client.isMutating(filter) > 0;
}

/** A write that any plan may change with: the library, approaches, templates, gyms, weights. */
export function useClubChange<V, R>(write: (value: V) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: async () => {
      markSaved();
      await renew(client);
    },
  });
}

export const useImport = () => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (text: string) => postText<ImportedView>("/athletes", text),
    onSuccess: () => {
      markSaved();
      return renew(client, ["squad"]);
    },
  });
};

const base = (id: string) => `/athletes/${id}`;
export const useFit = (id: string) =>
  useChange(id, (monday: string) => post<WeekView>(`${base(id)}/weeks/${monday}/fit`));
export const useHold = (id: string) =>
  useChange(id, ({ monday, ...body }: { monday: string; sessions: LockedSession[] | null; what?: string }) =>
    put(`${base(id)}/weeks/${monday}/held`, body),
  );
export const useLock = (id: string) => useChange(id, (lock: LockedSession) => put(`${base(id)}/locks`, lock));
export const useUnlock = (id: string) =>
  useChange(id, (l: { date: string; label: Label }) => del(`${base(id)}/locks/${l.date}/${l.label}`));
/** Sends what this device has done since it last heard from the server. @returns the log as it is there now */
export const useMergeLog = (id: string) =>
  useChange(id, ({ base: known, log }: MergeLogBody) =>
    post<StrengthLog>(`${base(id)}/logs/${log.date}/${log.label}/merge`, { base: known, log }),
  );
/** Puts a point about any athlete out of the way until a day; null brings it back. */
export function useSeen() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: ({ id, key, until }: { id: string; key: string; until: string | null }) =>
      put(`${base(id)}/seen/${key}`, { until }),
    onSuccess: () => renew(client, ["squad"]),
  });
}
export const useSaveRace = (id: string) =>
  useChange(id, ({ race, body }: { race: string | null; body: RaceBody }) =>
    race ? put(`${base(id)}/races/${race}`, body) : post(`${base(id)}/races`, body),
  );
export const useDeleteRace = (id: string) => useChange(id, (race: string) => del(`${base(id)}/races/${race}`));
export const useSaveEndurance = (id: string) =>
  useChange(id, ({ row, body }: { row: string | null; body: EnduranceBody }) =>
    row ? put(`${base(id)}/endurance/${row}`, body) : post(`${base(id)}/endurance`, body),
  );
export const useDeleteEndurance = (id: string) => useChange(id, (row: string) => del(`${base(id)}/endurance/${row}`));
export const useSaveWindows = (id: string) =>
  useChange(id, (windows: Window[]) => put(`${base(id)}/windows`, { windows }));
/** Takes an athlete away for good. @returns the receipt */
export const useEraseAthlete = (id: string) => {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => del(base(id)) as Promise<ErasedView>,
    onSuccess: async () => {
      markSaved();
      forgetAthlete(id);
      await renew(client, ["squad"], CALENDAR_KEY);
    },
  });
};
