/** Queries and writes of intake, screening and library. */
import { useQuery } from "@tanstack/react-query";
import type { IntakeBody, ScreenBody } from "../../api/requests";
import type {
  ChoicesView,
  FitView,
  IntakeView,
  LibraryView,
  PlacesView,
  ScreeningView,
  ScreenPreview,
  SheetsView,
} from "../../api/views";
import type { Label } from "../../core/athlete";
import type { OwnExercise } from "../../core/exercise";
import { ask, del, get, post, put } from "./api";
import { useChange, useClubChange } from "./hooks";

export const useIntake = (id: string) =>
  useQuery({ queryKey: ["a", id, "intake"], queryFn: () => get<IntakeView>(`/athletes/${id}/intake`) });
export const useSaveIntake = (id: string) => useChange(id, (body: IntakeBody) => put(`/athletes/${id}/intake`, body));
export const usePlaces = (id: string) =>
  useQuery({ queryKey: ["places", id], queryFn: () => get<PlacesView>(`/athletes/${id}/places`) });

export const useScreening = (id: string) =>
  useQuery({ queryKey: ["a", id, "screening"], queryFn: () => get<ScreeningView>(`/athletes/${id}/screening`) });
export const usePreview = (id: string, body: ScreenBody, on: boolean) =>
  useQuery({
    queryKey: ["a", id, "preview", body],
    queryFn: () => ask<ScreenPreview>(`/athletes/${id}/screening/preview`, body),
    enabled: on,
  });
export const useAcceptScreen = (id: string) =>
  useChange(id, (body: ScreenBody) => put(`/athletes/${id}/screening`, body));
export const useRemoveScreen = (id: string) =>
  useChange(id, (date: string) => del(`/athletes/${id}/screening/${date}`));

export const useLibrary = () =>
  useQuery({ queryKey: ["library"], queryFn: () => get<LibraryView>("/exercises"), staleTime: 300_000 });
export const useFit = (id: string | undefined, place: string) =>
  useQuery({
    queryKey: ["a", id, "fit", place],
    queryFn: () => get<FitView>(`/athletes/${id}/exercises${place ? `?place=${encodeURIComponent(place)}` : ""}`),
    enabled: id !== undefined,
    retry: false,
  });

export const useHide = () =>
  useClubChange(
    ({ exercise, hidden }: { exercise: string; hidden: boolean }) =>
      put(`/exercises/${exercise}/hidden`, { hidden }) as Promise<{ gaps: string[] }>,
  );
export const useSaveOwn = () =>
  useClubChange(({ exercise, body }: { exercise: string | null; body: OwnExercise }) =>
    exercise ? put(`/exercises/${exercise}`, body) : post<{ id: string }>("/exercises", body),
  );
export const useDeleteOwn = () => useClubChange((exercise: string) => del(`/exercises/${exercise}`));

export const useChoices = (id: string, date: string, label: Label, exercise: string, on: boolean) =>
  useQuery({
    queryKey: ["a", id, "choices", date, label, exercise],
    queryFn: () => get<ChoicesView>(`/athletes/${id}/sessions/${date}/${label}/choices/${exercise}`),
    enabled: on,
  });
export const useSwap = (id: string, date: string, label: Label) =>
  useChange(id, (body: { from: string; to: string | null }) => put(`/athletes/${id}/swaps/${date}/${label}`, body));
export const useSheets = (id: string) =>
  useQuery({ queryKey: ["a", id, "sheets"], queryFn: () => get<SheetsView>(`/athletes/${id}/sheets`) });
