/** What a change for many names, read from the store. */
import type { ManyChange } from "../../api/many";
import type { SessionEdit } from "../../core/athlete";
import type { IsoDate } from "../../core/dates";
import { TemplateEntity } from "../store/entities";
import type { Store } from "../store/store";
import type { Known } from "./make";

export async function knownFor(store: Store, today: IsoDate, change: ManyChange): Promise<Known> {
  const template =
    change.kind === "template" ? await store.db.reader.findOneBy(TemplateEntity, { id: change.template }) : null;
  const from = change.kind === "usual-week" ? await store.athletes.get(change.from) : null;
  const weeks = from?.athlete.endurancePlan?.usualWeeks ?? [];
  return {
    today,
    approaches: store.approaches.all,
    template: template && { name: template.name, items: JSON.parse(template.data) as SessionEdit["items"] },
    usualWeeks: weeks.length > 0 ? weeks : null,
  };
}
