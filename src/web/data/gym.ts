/** The gym on one day: read, its limits, and the hours taken over. */
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import type { GymView } from "../../api/views";
import { get, post, put } from "./api";
import { markSaved } from "./hooks";

export const useGym = (date: string, place: string | null) =>
  useQuery({
    queryKey: ["gym", date, place],
    queryFn: () => get<GymView>(`/gym/${date}${place ? `?place=${place}` : ""}`),
    enabled: date !== "",
    placeholderData: (before) => before,
  });

/** Everything shown of the athletes may change with it. */
function useGymChange<V, R>(write: (value: V) => Promise<R>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: write,
    onSuccess: async () => {
      markSaved();
      // A first answer still on its way was read before the change, and is not called off by invalidating alone.
      await client.cancelQueries({ queryKey: ["gym"] });
      return client.invalidateQueries();
    },
  });
}

export const useSaveGym = () =>
  useGymChange(({ place, ...limits }: { place: string; racks: number; athletes: number }) =>
    put(`/gym/places/${place}`, limits),
  );
export const useTakeGym = (date: string) =>
  useGymChange((place: string) => post<{ changed: string[] }>(`/gym/${date}/take`, { place }));
/** Takes the last change of several athletes back. */
export const useUndoFor = () =>
  useGymChange((ids: string[]) => Promise.all(ids.map((id) => post(`/athletes/${id}/undo`))));
