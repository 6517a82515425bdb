/** Groups, and changes for many athletes: read, tried for each, made, taken back. */
import { useMutation, useQueries, useQuery, useQueryClient } from "@tanstack/react-query";
import type {
  GroupBody,
  GroupFloorView,
  GroupSessionView,
  GroupView,
  ManyAnswer,
  ManyBody,
  ManyChange,
  ManyChoices,
  ManyEntry,
  ManyPreview,
} from "../../api/many";
import type { ArchivedView } from "../../api/views";
import { ask, del, get, post, put } from "./api";
import { renew, useClubChange } from "./hooks";
import { markSaved } from "./saved";

const MANY = ["many"];
export const useGroups = () => useQuery({ queryKey: ["groups"], queryFn: () => get<GroupView[]>("/groups") });
export const useSaveGroup = () =>
  useClubChange(({ id, body }: { id: string | null; body: GroupBody }) =>
    id === null ? post<{ id: string }>("/groups", body) : put(`/groups/${id}`, body),
  );
export const useRemoveGroup = () => useClubChange((id: string) => del(`/groups/${id}`));

export const useManyChoices = () =>
  useQuery({ queryKey: [...MANY, "choices"], queryFn: () => get<ManyChoices>("/many/choices") });
export const useManyEntries = () => useQuery({ queryKey: [...MANY, "made"], queryFn: () => get<ManyEntry[]>("/many") });

const PREVIEWS = [...MANY, "preview"];

/**
 * What a change would do to each; the answers come one by one, and those under way are given up where something else is asked.
 * @param change null asks nothing
 */
export function usePreviews(change: ManyChange | null, ids: readonly string[]) {
  return useQueries({
    queries: ids.map((id) => ({
      queryKey: [...PREVIEWS, change, id],
      queryFn: ({ signal }: { signal: AbortSignal }) => ask<ManyPreview>(`/athletes/${id}/many`, { change }, signal),
      enabled: change !== null,
      staleTime: 0,
      retry: false,
    })),
    combine: (all) => ({
      byId: new Map(ids.map((id, i) => [id, all[i]?.data ?? null])),
      done: all.filter((q) => q.isSuccess || q.isError).length,
      fault: all.find((q) => q.isError)?.error ?? null,
      again: () => Promise.all(all.map((q) => q.refetch())),
    }),
  });
}

/** Athletes who are out of the club's views. */
export const useArchived = () => useQuery({ queryKey: ["archive"], queryFn: () => get<ArchivedView[]>("/archive") });
export const useBringBack = () => useClubChange((id: string) => put(`/athletes/${id}/archived`, { archived: false }));

/** It is saved once the server says so: what it changes for each is read anew meanwhile, and nobody waits for it. */
function useManyChange<V>(write: (value: V) => Promise<ManyAnswer>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: () => {
      markSaved();
      void renew(client);
    },
  });
}
export const useMakeMany = () => useManyChange((body: ManyBody) => post<ManyAnswer>("/many", body));
export const useUndoMany = () => useManyChange((batch: string) => post<ManyAnswer>(`/many/${batch}/undo`));

export const useGroupSession = (group: string, date: string) =>
  useQuery({
    queryKey: ["groups", group, "session", date],
    queryFn: () => get<GroupSessionView>(`/groups/${group}/sessions/${date}`),
    enabled: date !== "",
    placeholderData: (before) => before,
  });
export const useTakeHour = (group: string, date: string) =>
  useClubChange((athletes: { id: string; revision: number }[]) =>
    post<ManyAnswer>(`/groups/${group}/sessions/${date}/take`, { athletes }),
  );
export const useGroupFloor = (group: string, date: string) =>
  useQuery({
    queryKey: ["groups", group, "floor", date],
    queryFn: () => get<GroupFloorView>(`/groups/${group}/floor/${date}`),
    enabled: date !== "",
  });
