/**
 * What a request says about its own write, carried to the transaction that it belongs to: which state of the thing it was made from, and under
 * which key its answer is kept.
 */
import { AsyncLocalStorage } from "node:async_hooks";
import type { EntityManager } from "typeorm";
import { HttpProblem } from "../errors";
import type { WriteHook } from "../store/database";
import { IdempotencyEntity, type IdempotencyRow } from "../store/entities";
import type { Store } from "../store/store";
import { tagOfThing, thingValue } from "../things";
import type { Answer } from "./route";

export interface Scope {
  /** The thing changed and the state of it that was seen; a change without a seen state is made in any case. */
  thing: { key: string; seen: string | null } | null;
  /** What was sent, for showing it beside what stands there. */
  body: unknown;
  idempotency: { key: string; request: string } | null;
  /** Set on the way: what the request will answer, and the state of the thing after it. */
  answer: { answer: Answer; athleteId: string | null } | null;
  tag: string | null;
  /** The answer is stored under its key. */
  kept: boolean;
}

const scopes = new AsyncLocalStorage<Scope>();

export const within = <T>(scope: Scope, work: () => Promise<T>): Promise<T> => scopes.run(scope, work);

/**
 * Says inside or before a write what the request will answer, so that both are stored together.
 * @param athleteId whom it creates something for
 */
export function answering(answer: Answer, athleteId: string | null): Answer {
  const scope = scopes.getStore();
  if (scope) scope.answer = { answer, athleteId };
  return answer;
}

/** The request was answered before, under the same key. */
export class Replayed extends Error {
  constructor(readonly row: IdempotencyRow) {
    super("answered before");
  }
}

/** @throws HttpProblem where the key stands for another request */
export function sameRequest(row: IdempotencyRow, request: string): IdempotencyRow {
  if (row.request !== request)
    throw new HttpProblem(
      422,
      "Key used before",
      "Nothing was stored: this Idempotency-Key was sent with another request.",
      [{ path: "Idempotency-Key", expected: "a new key for a new request expected" }],
    );
  return row;
}

/** @throws HttpProblem where a thing is not in the state any more that the change was made from */
export async function sameState(m: EntityManager, store: Store, scope: Pick<Scope, "thing" | "body">): Promise<void> {
  const { thing } = scope;
  if (!thing || thing.seen === null) return;
  const theirs = await thingValue(m, store, thing.key);
  const tag = tagOfThing(thing.key, theirs);
  if (tag === thing.seen) return;
  throw new HttpProblem(
    412,
    "Changed meanwhile",
    "Nothing was overwritten: somebody else has changed this since you opened it.",
    [],
    { yours: scope.body ?? null, theirs, tag },
  );
}

async function check(m: EntityManager, store: Store, scope: Scope): Promise<void> {
  if (scope.idempotency && !scope.kept) {
    const row = await m.findOneBy(IdempotencyEntity, { key: scope.idempotency.key });
    if (row) throw new Replayed(sameRequest(row, scope.idempotency.request));
  }
  await sameState(m, store, scope);
}

async function keep(m: EntityManager, store: Store, scope: Scope): Promise<void> {
  if (scope.thing) {
    scope.tag = tagOfThing(scope.thing.key, await thingValue(m, store, scope.thing.key));
    // A further write of the same request is made from what the first one left.
    if (scope.thing.seen !== null) scope.thing.seen = scope.tag;
  }
  if (scope.answer) await keepAnswer(m, scope, scope.answer);
}

async function keepAnswer(
  m: EntityManager,
  scope: Scope,
  { answer, athleteId }: NonNullable<Scope["answer"]>,
): Promise<void> {
  if (!scope.idempotency || scope.kept) return;
  scope.kept = true;
  // Two of the same at once may both come here where the answer was not said inside the write.
  await m
    .createQueryBuilder()
    .insert()
    .into(IdempotencyEntity)
    .values({
      ...scope.idempotency,
      athleteId,
      status: answer.status,
      answer: typeof answer.body === "string" ? answer.body : "",
      at: new Date().toISOString(),
    })
    .orIgnore()
    .execute();
}

/**
 * Keeps the answer of a request that did not say it inside its write. Broken off before this, the request is done again when it is sent again:
 * only what may be done twice does not say its answer.
 */
export async function keepAfterwards(
  store: Store,
  scope: Scope,
  answer: Answer,
  athleteId: string | null,
): Promise<void> {
  if (scope.idempotency && !scope.kept) await store.db.writeAside((m) => keepAnswer(m, scope, { answer, athleteId }));
}

/** For `Database.hookWrites`. */
export const scopeHook = (store: Store) => (): WriteHook | null => {
  const scope = scopes.getStore();
  if (!scope) return null;
  return { before: (m) => check(m, store, scope), after: (m) => keep(m, store, scope) };
};
