/** The gym on one day: read, its limits, and the hours taken over. */
import { useQuery } from "@tanstack/react-query";
import type { GymView } from "../../api/views";
import { get, post, put } from "./api";
import { useClubChange } from "./hooks";

export const useGym = (date: string, place: string | null) =>
  useQuery({
    queryKey: ["gym", date, place],
    queryFn: () => get<GymView>(`/gym/${date}${place ? `?place=${place}` : ""}`),
    enabled: date !== "",
    placeholderData: (before) => before,
  });

export const useSaveGym = () =>
  useClubChange(({ place, ...limits }: { place: string; racks: number; athletes: number }) =>
    put(`/gym/places/${place}`, limits),
  );
export const useTakeGym = (date: string) =>
  useClubChange((place: string) => post<{ changed: string[] }>(`/gym/${date}/take`, { place }));
/** Takes the last change of several athletes back. */
export const useUndoFor = () =>
  useClubChange((ids: string[]) => Promise.all(ids.map((id) => post(`/athletes/${id}/undo`))));
