/** The week board's reads, writes and worker. */
import { useQuery } from "@tanstack/react-query";
import type { Remote } from "comlink";
import { useEffect, useMemo, useRef } from "react";
import type { WeekChangesBody, WeightsBody } from "../../api/requests";
import type { EditsView, HistoryView, RoomView, RuleWeightsView, WeekView } from "../../api/views";
import type { Label } from "../../core/athlete";
import type { Board } from "../../core/planning";
import type { Placed } from "../../core/week";
import type { WeekWorker } from "../worker/week.worker";
import { get, post, put } from "./api";
import { useChange, useClubChange } from "./hooks";
import { type Started, startWorker } from "./remote";
import { usePlanning } from "./trial";

const base = (id: string) => `/athletes/${id}`;

export const useEdits = (id: string) =>
  useQuery({ queryKey: ["a", id, "edits"], queryFn: () => get<EditsView>(`${base(id)}/edits`) });
export const useStep = (id: string) =>
  useChange(id, ({ way, seq }: { way: "undo" | "redo"; seq?: number }) =>
    post<{ what: string }>(`${base(id)}/${way}`, seq === undefined ? {} : { seq }),
  );
export const useHistory = (id: string | undefined) =>
  useQuery({
    queryKey: ["a", id, "history"],
    queryFn: () => get<HistoryView>(`${base(id ?? "")}/history`),
    enabled: id !== undefined,
  });
export const useWeekChanges = (id: string) =>
  useChange(id, (body: WeekChangesBody) => post(`${base(id)}/week-changes`, body));
export const useMoveEndurance = (id: string) =>
  useChange(id, ({ row, date, start }: { row: string; date: string; start: string }) =>
    put(`${base(id)}/endurance/${row}/place`, { date, start }),
  );
export const useCopyWeek = (id: string) => useChange(id, (monday: string) => post(`${base(id)}/weeks/${monday}/copy`));
export const useRoom = (id: string, monday: string, label: Label) =>
  useQuery({
    queryKey: ["a", id, "room", monday, label],
    queryFn: () => get<RoomView[]>(`${base(id)}/weeks/${monday}/room/${label}`),
  });
export const useWeights = (id: string) =>
  useQuery({ queryKey: ["a", id, "weights"], queryFn: () => get<RuleWeightsView>(`${base(id)}/weights`) });
export const useSaveWeights = (id: string) => useChange(id, (body: WeightsBody) => put(`${base(id)}/weights`, body));
/** For all athletes: everything shown may change with it. */
export const useSaveClubWeights = (id: string) =>
  useClubChange((weights: Record<string, number>) => put(`${base(id)}/weights/club`, { weights }));

export interface Weigher {
  /** The facts are here and the worker may be asked. */
  ready: boolean;
  weigh: (placed: Placed[], label: Label) => Promise<Board | null>;
  moveEndurance: (row: string, to: { date: string; start: number }) => Promise<WeekView | null>;
}

/** A worker that knows the athlete, ahead of the first drag. Answers are null once it was given up for newer facts. */
export function useWeigher(id: string, monday: string, editable: boolean): Weigher {
  const planning = usePlanning(id);
  const facts = editable ? planning.data : undefined;
  const worker = useRef<Started<WeekWorker> | null>(null);
  useEffect(() => {
    if (!facts) return;
    const started = startWorker<WeekWorker>(
      new Worker(new URL("../worker/week.worker.ts", import.meta.url), { type: "module" }),
      (remote) => remote.load(facts),
    );
    worker.current = started;
    return () => {
      worker.current = null;
      started.end();
    };
  }, [facts]);
  return useMemo(() => {
    const ask = async <T>(work: (remote: Remote<WeekWorker>) => Promise<T>): Promise<T | null> => {
      const now = worker.current;
      if (!now) return null;
      return Promise.race([now.ready.then(() => work(now.remote)), now.gone]);
    };
    return {
      ready: facts !== undefined,
      weigh: (placed, label) => ask((r) => r.weigh(monday, placed, label) as Promise<Board>),
      moveEndurance: (row, to) => ask((r) => r.moveEndurance(monday, row, to) as Promise<WeekView | null>),
    };
  }, [monday, facts]);
}
