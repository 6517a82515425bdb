/** The library: shipped exercises, the coach's own, and what the planner is to leave out. */
import { hiddenBody, ownExerciseBody } from "../../api/requests";
import { coverageGaps, type OwnExercise, ownExercise, validateLibrary } from "../../core/exercise";
import { faulty, notFound } from "../errors";
import { done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import { libraryView } from "../views/library";

/** A readable id that nothing else has. */
function idFor(name: string, taken: (id: string) => boolean): string {
  const slug =
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, "-")
      .replace(/^-+|-+$/g, "") || "exercise";
  for (let n = 1; ; n++) {
    const id = n === 1 ? `own-${slug}` : `own-${slug}-${n}`;
    if (!taken(id)) return id;
  }
}

export function exerciseRoutes({ store }: ServerContext): Route[] {
  const r = new RouteList("/exercises");
  const spec = { body: { schema: ownExerciseBody, what: "The exercise" }, limit: 200_000 };
  const checked = (id: string, own: OwnExercise): OwnExercise => {
    const faults = validateLibrary([ownExercise(id, own)], false).map((f) => {
      const [path = "", ...rest] = f.slice(id.length + 1).split(": ");
      return { path, expected: rest.join(": ") };
    });
    if (faults.length > 0) throw faulty(faults, "The exercise");
    return own;
  };

  r.read("", () => {
    return json(libraryView(store.exercises.library));
  });

  r.change("POST", "", spec, async ({ body }) => {
    const id = idFor(body.name, (x) => store.exercises.library.byId(x) !== undefined);
    const answer = answering(json({ id }, 201), null);
    await store.exercises.putOwn(id, checked(id, body));
    return answer;
  });

  r.change("PUT", "/:exercise", spec, async ({ params, body }) => {
    const { exercise } = params;
    if (!(await store.exercises.own(exercise))) throw notFound("exercise of your own");
    await store.exercises.putOwn(exercise, checked(exercise, body));
    return done();
  });

  r.change("DELETE", "/:exercise", {}, async ({ params }) => {
    if (!(await store.exercises.putOwn(params.exercise, null))) throw notFound("exercise of your own");
    return done();
  });

  /** Hiding answers with what would be left without any exercise, so that the screen can say it. */
  r.change(
    "PUT",
    "/:exercise/hidden",
    { body: { schema: hiddenBody, what: "The choice" } },
    async ({ params, body }) => {
      const { exercise } = params;
      if (!store.exercises.library.byId(exercise)) throw notFound("exercise");
      await store.exercises.hide(exercise, body.hidden);
      const { library } = store.exercises;
      return json({ gaps: coverageGaps(library.all.filter((e) => !library.hidden.has(e.id))) });
    },
  );

  return r.all;
}
