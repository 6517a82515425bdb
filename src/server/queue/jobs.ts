/** Rows that are made ahead go into the line of all servers; everything else is done in this server's own threads. */
import type { Ask, Jobs } from "../jobs/jobs";
import type { ClubOfWork } from "../jobs/messages";
import type { Store } from "../store/store";
import type { Question } from "./answers";
import type { PlanQueue } from "./queue";

const questionOf = (work: Ask): Question | null =>
  work.kind === "task" && (work.task === "squadRow" || work.task === "clubWeekRow")
    ? { task: work.task, args: work.args as Question["args"] }
    : null;

/** @param own this server's threads, for the club */
export const queuedJobs = (own: Jobs, queue: PlanQueue, store: Store, club: ClubOfWork): Jobs => ({
  ...own,
  ask: (work, o = {}) => {
    const question = o.background ? questionOf(work) : null;
    return question ? queue.ask(store, { ...question, club }, () => own.ask(work, o)) : own.ask(work, o);
  },
  last: async (work) => {
    const question = questionOf(work);
    return question ? queue.last(store, question) : null;
  },
});
