/** The club's backups: read, taken, put back. */

import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { ClubWeekView } from "../../api/clubWeek";
import type { ClubDataView, RestorePreviewView, RestoreView } from "../../api/views";
import { ask, get, post } from "./api";
import { renew } from "./hooks";
import { markSaved } from "./saved";

const KEY = ["club-data"];
export const useClubData = () =>
  useQuery({ queryKey: KEY, queryFn: () => get<ClubDataView>("/club/data"), refetchInterval: 60_000 });

export function useTakeBackup() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: () => post<{ name: string }>("/club/backups"),
    onSettled: () => renew(client, KEY),
  });
}

/** What a restore would change. */
export const useRestorePreview = (backup: string | null) =>
  useQuery({
    queryKey: [...KEY, "preview", backup],
    queryFn: () => ask<RestorePreviewView>("/club/restore/preview", { backup }),
    enabled: backup !== null,
    gcTime: 0,
    staleTime: 0,
    retry: false,
  });

/** Puts a backup in the club's place; everything shown is read anew. */
export function useRestore() {
  const client = useQueryClient();
  return useMutation({
    mutationFn: (backup: string) => post<RestoreView>("/club/restore", { backup }),
    onSuccess: async () => {
      markSaved();
      await renew(client);
    },
  });
}

/** A week of the club, by its Monday. */
export const useClubWeek = (monday: string) =>
  useQuery({
    queryKey: ["club-week", monday],
    queryFn: () => get<ClubWeekView>(`/club/week/${monday}`),
    enabled: monday !== "",
    placeholderData: (before) => before,
  });
