import { TAGGED_TYPE, type Tagged } from "../../api/things";
import type { Context } from "../context";
import { tagOf, tagsFor } from "../things";
import type { Answer, Call, Route } from "./route";

/** A view with the tags of what can be changed from it. */
export async function withTags(ctx: Context, route: Route, call: Call<unknown>, answer: Answer): Promise<Answer> {
  if (answer.status !== 200 || answer.type !== "application/json") return answer;
  const { tags, whole } = await tagsFor(ctx, route.path, call.params);
  const rest: Omit<Tagged, "value"> = { tags, whole, none: tagOf(null) };
  const text = typeof answer.body === "string" ? answer.body : Buffer.from(answer.body ?? []).toString("utf8");
  return { ...answer, type: TAGGED_TYPE, body: `{"value":${text},${JSON.stringify(rest).slice(1)}` };
}
