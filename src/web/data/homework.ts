/** Queries and writes of homework. */
import { useQuery } from "@tanstack/react-query";
import type { HomeworkView } from "../../api/views";
import { get, put } from "./api";
import { useChange } from "./hooks";

export const useHomework = (id: string, on = true) =>
  useQuery({
    queryKey: ["a", id, "homework"],
    queryFn: () => get<HomeworkView>(`/athletes/${id}/homework`),
    enabled: on,
  });

export const useTick = (id: string) =>
  useChange(id, ({ date, item, done }: { date: string; item: string; done: boolean }) =>
    put(`/athletes/${id}/homework/${date}/${item}`, { done }),
  );
