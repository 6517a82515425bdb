/** Where long work is done: in worker threads, or on the spot where there are none (tests, small tools). */
import type { Context } from "../context";
import type { Call, Route } from "../http/route";
import { nameOf } from "../http/route";
import { withTags } from "../http/tagged";
import type { ClubOfWork } from "./messages";
import { type Tasks, tasksOf } from "./tasks";

export type Ask =
  | { kind: "prepare"; route: string; call: Call<unknown> }
  /** @param tagged with the tags of what can be changed from the view */
  | { kind: "handle"; route: string; call: Call<unknown>; tagged?: boolean }
  | { kind: "task"; task: keyof Tasks; args: unknown };

export interface JobOptions {
  /** Waits behind everything else. */
  background?: boolean;
  /** Given up while it still waits. */
  signal?: AbortSignal;
  /** Whose work it is, where there are many clubs. */
  club?: ClubOfWork;
}

export interface Jobs {
  ask(work: Ask, o?: JobOptions): Promise<unknown>;
  /** What was last answered today, whatever has changed since; where answers are kept for all servers. */
  last?(work: Ask): Promise<unknown>;
  /** Everything known is forgotten. */
  restart(): Promise<void>;
  /** Waits for what is under way about an athlete. */
  settled(id: string): Promise<void>;
  close(): Promise<void>;
}

/** Answers asks with the routes and tasks of one context. */
export function answering(ctx: Context, routes: readonly Route[], tasks: Tasks): (work: Ask) => Promise<unknown> {
  const byName = new Map(routes.map((r) => [nameOf(r), r]));
  return async (work) => {
    if (work.kind === "task") return (tasks[work.task] as (args: unknown) => Promise<unknown>)(work.args);
    const route = byName.get(work.route);
    if (!route) throw new Error(`no route ${work.route}`);
    if (work.kind === "prepare") return route.prepare?.(work.call);
    const answer = await route.handle(work.call, undefined);
    return work.tagged && !route.changes ? withTags(ctx, route, work.call, answer) : answer;
  };
}

/** One club's part of threads that work for many. */
export const jobsOfClub = (all: Jobs, club: ClubOfWork): Jobs => ({
  ask: (work, o) => all.ask(work, { ...o, club }),
  // What is kept of a club is told by its versions; the threads go on for the others.
  restart: async () => undefined,
  settled: (id) => all.settled(id),
  close: async () => undefined,
});

/** On the spot. */
export function inlineJobs(ctx: Context, routes: () => readonly Route[]): Jobs {
  let answer: ((work: Ask) => Promise<unknown>) | null = null;
  return {
    ask: (work) => {
      answer ??= answering(ctx, routes(), tasksOf(ctx, null));
      return answer(work);
    },
    restart: async () => ctx.planner.forget(),
    settled: async () => undefined,
    close: async () => undefined,
  };
}
