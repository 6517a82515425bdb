/** The library: shipped exercises, the coach's own, and what the planner is to leave out. */
import express, { Router } from "express";
import { hiddenBody, ownExerciseBody } from "../../api/requests";
import { ownExercise } from "../../core/exercise/own";
import { coverageGaps, validateLibrary } from "../../core/exercise/validate";
import { faulty, notFound, parse } from "../errors";
import type { Store } from "../store/store";
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

export function exerciseRoutes(store: Store): Router {
  const router = Router();
  router.use(express.json({ limit: "200kb" }));
  const checked = (id: string, body: unknown) => {
    const own = parse(ownExerciseBody, body, "The exercise");
    const faults = validateLibrary([ownExercise(id, own)], false).map((f) => {
      const [path = "", ...rest] = f.slice(id.length + 1).split(": ");
      return { path, expected: rest.join(": ") };
    });
    if (faults.length > 0) throw faulty(faults, "The exercise");
    return own;
  };

  router.get("/", (_req, res) => {
    res.json(libraryView(store.shelf.library));
  });

  router.post("/", async (req, res) => {
    const name = parse(ownExerciseBody, req.body, "The exercise").name;
    const id = idFor(name, (x) => store.shelf.library.byId(x) !== undefined);
    await store.shelf.putOwn(id, checked(id, req.body));
    res.status(201).json({ id });
  });

  router.put("/:exercise", async (req, res) => {
    const { exercise } = req.params;
    if (!(await store.shelf.own(exercise))) throw notFound("exercise of your own");
    await store.shelf.putOwn(exercise, checked(exercise, req.body));
    res.status(204).end();
  });

  router.delete("/:exercise", async (req, res) => {
    if (!(await store.shelf.putOwn(req.params.exercise, null))) throw notFound("exercise of your own");
    res.status(204).end();
  });

  /** Hiding answers with what would be left without any exercise, so that the screen can say it. */
  router.put("/:exercise/hidden", async (req, res) => {
    const { exercise } = req.params;
    if (!store.shelf.library.byId(exercise)) throw notFound("exercise");
    await store.shelf.hide(exercise, parse(hiddenBody, req.body, "The choice").hidden);
    const { library } = store.shelf;
    res.json({ gaps: coverageGaps(library.all.filter((e) => !library.hidden.has(e.id))) });
  });

  return router;
}
