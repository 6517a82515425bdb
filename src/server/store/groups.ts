/** Groups of athletes. */
import { randomUUID } from "node:crypto";
import { type EntityManager, IsNull, Not } from "typeorm";
import type { GroupBody, GroupHour, GroupView } from "../../api/many";
import type { Database } from "./database";
import { AthleteEntity, GroupEntity, GroupMemberEntity, type GroupRow } from "./entities";

export class GroupStore {
  constructor(private readonly db: Database) {}

  /** In the order in which they were made; without members who are archived. */
  async all(m: EntityManager = this.db.reader): Promise<GroupView[]> {
    const archived = new Set((await m.findBy(AthleteEntity, { archivedAt: Not(IsNull()) })).map((a) => a.id));
    const all = await m.find(GroupMemberEntity, { order: { seq: "ASC" } });
    const members = all.filter((x) => !archived.has(x.athleteId));
    return (await m.find(GroupEntity, { order: { position: "ASC" } })).map((g) => ({
      id: g.id,
      name: g.name,
      members: members.filter((x) => x.groupId === g.id).map((x) => x.athleteId),
      hour: g.hour === null ? null : (JSON.parse(g.hour) as GroupHour),
    }));
  }

  async get(id: string, m: EntityManager = this.db.reader): Promise<GroupView | null> {
    return (await this.all(m)).find((g) => g.id === id) ?? null;
  }

  async add(body: GroupBody, id: string = randomUUID()): Promise<string> {
    await this.db.write(async (m) => {
      const top = await m.maximum(GroupEntity, "position");
      await m.insert(GroupEntity, rowOf(id, (top ?? -1) + 1, body));
      await putMembers(m, id, body.members);
    });
    return id;
  }

  /** @param change of the group as it stands, read in the same transaction @returns false where there is none */
  async change(id: string, change: (before: GroupView) => GroupBody): Promise<boolean> {
    return this.db.write(async (m) => {
      const [row, before] = [await m.findOneBy(GroupEntity, { id }), await this.get(id, m)];
      if (!row || !before) return false;
      const next = change(before);
      await m.update(GroupEntity, { id }, rowOf(id, row.position, next));
      await putMembers(m, id, next.members);
      return true;
    });
  }

  async remove(id: string): Promise<boolean> {
    return this.db.write(async (m) => ((await m.delete(GroupEntity, { id })).affected ?? 0) > 0);
  }
}

const rowOf = (id: string, position: number, { name, hour }: GroupBody): GroupRow => ({
  id,
  position,
  name,
  hour: hour === null ? null : JSON.stringify(hour),
});

async function putMembers(m: EntityManager, groupId: string, members: readonly string[]): Promise<void> {
  await m.delete(GroupMemberEntity, { groupId });
  for (const [seq, athleteId] of members.entries()) await m.insert(GroupMemberEntity, { groupId, athleteId, seq });
}
