/** What passes between an athlete's phone and the coach: messages, published weeks, what came in; and who looked at whom. */
import { Between, type EntityManager, LessThan, MoreThanOrEqual } from "typeorm";
import {
  type About,
  ARRIVAL_KINDS,
  type ArrivalKind,
  type MessageView,
  type PublishedSession,
  type PublishedWeekView,
} from "../../api/phoneViews";
import { addDays, type IsoDate, mondayOf } from "../../core/dates";
import type { Database } from "./database";
import {
  AccessLogEntity,
  type AccessLogRow,
  ArrivalEntity,
  type ArrivalRow,
  AthleteEntity,
  LIST_ENTITIES,
  type ListRow,
  MessageEntity,
  type MessageRow,
  PublishedWeekEntity,
} from "./entities";

export interface Arrival {
  /** What is said of the same thing again takes its place. */
  thing: string;
  kind: ArrivalKind;
  about: About | null;
  text: string;
  urgent: boolean;
}

/** Messages a phone holds, and a coach is shown. */
const MESSAGES_SHOWN = 100;
/** Arrivals that are answered are shown no more, and forgotten after so many days. */
const ARRIVALS_KEPT_DAYS = 60;
/** Days for which is kept who looked. */
const ACCESS_KEPT_DAYS = 400;
const DAY_MS = 86_400_000;

const now = (): string => new Date().toISOString();
const daysAgo = (days: number): string => new Date(Date.now() - days * DAY_MS).toISOString();
const aboutIn = (text: string | null): About | null => (text === null ? null : (JSON.parse(text) as About));

const labelIn = ({ data }: ListRow): string => (JSON.parse(data) as { label: string }).label;

const messageOf = ({ id, at, by, who, text, about }: MessageRow): MessageView => ({
  id,
  at,
  by: by === "coach" ? "coach" : "athlete",
  who,
  text,
  about: aboutIn(about),
});

export class PhoneStore {
  constructor(private readonly db: Database) {}

  /** The latest messages, oldest first. */
  async messages(athleteId: string, most = MESSAGES_SHOWN): Promise<MessageView[]> {
    const rows = await this.db.reader.find(MessageEntity, {
      where: { athleteId },
      order: { at: "DESC", id: "DESC" },
      take: most,
    });
    return rows.reverse().map(messageOf);
  }

  /**
   * @param arrival what the coach is told of it; null where the coach wrote it
   * @param told is called in the same transaction @returns false where there is no such athlete
   */
  say(
    athleteId: string,
    message: Omit<MessageRow, "at" | "athleteId">,
    arrival: Arrival | null,
    told: () => void = () => undefined,
  ): Promise<boolean> {
    return this.db.write(async (m) => {
      if (!(await m.findOne(AthleteEntity, { select: { id: true }, where: { id: athleteId } }))) return false;
      // The same message sent again stands once.
      await m
        .createQueryBuilder()
        .insert()
        .into(MessageEntity)
        .values({ ...message, athleteId, at: now() })
        .orIgnore()
        .execute();
      if (arrival) await put(m, athleteId, arrival);
      else await this.answered(m, athleteId);
      told();
      return true;
    });
  }

  /** A coach who writes has answered the messages. */
  private async answered(m: EntityManager, athleteId: string): Promise<void> {
    await m.update(ArrivalEntity, { athleteId, kind: "message" }, { done: true });
  }

  /** Differs once a message or a published week is another one. */
  async stamp(athleteId: string): Promise<string> {
    const [row] = (await this.db.reader.query(
      `SELECT (SELECT count(*) || ' ' || coalesce(max(at), '') FROM message WHERE athlete_id = ?) || ' '
        || (SELECT count(*) || ' ' || coalesce(max(at), '') FROM published_week WHERE athlete_id = ?) AS stamp`,
      [athleteId, athleteId],
    )) as { stamp: string }[];
    return row?.stamp ?? "";
  }

  async published(athleteId: string): Promise<PublishedWeekView[]> {
    const rows = await this.db.reader.find(PublishedWeekEntity, { where: { athleteId }, order: { monday: "ASC" } });
    return rows.map((r) => ({
      monday: r.monday,
      at: r.at,
      note: r.note,
      sessions: JSON.parse(r.data) as PublishedSession[],
    }));
  }

  /** @param sessions null takes the week back @returns false where there is no such athlete */
  publish(athleteId: string, monday: IsoDate, note: string, sessions: PublishedSession[] | null): Promise<boolean> {
    return this.db.write(async (m) => {
      if (!(await m.findOne(AthleteEntity, { select: { id: true }, where: { id: athleteId } }))) return false;
      if (sessions === null) await m.delete(PublishedWeekEntity, { athleteId, monday });
      else
        await m.upsert(PublishedWeekEntity, { athleteId, monday, at: now(), note, data: JSON.stringify(sessions) }, [
          "athleteId",
          "monday",
        ]);
      return true;
    });
  }

  /** Tells the coach; what was said before of the same thing is replaced, and open again where it says something new. */
  async arrived(athleteId: string, arrivals: readonly Arrival[]): Promise<void> {
    if (arrivals.length === 0) return;
    await this.db.writeAside(async (m) => {
      for (const a of arrivals) await put(m, athleteId, a);
      await m.delete(ArrivalEntity, { done: true, at: LessThan(daysAgo(ARRIVALS_KEPT_DAYS)) });
    });
  }

  /** Sessions of published weeks that were over before a day and of which nothing was logged in their week. */
  async missedBefore(from: IsoDate, today: IsoDate): Promise<{ athleteId: string; date: IsoDate; label: string }[]> {
    const weeks = await this.db.reader.find(PublishedWeekEntity, {
      where: { monday: Between(mondayOf(from), today) },
      order: { athleteId: "ASC", monday: "ASC" },
    });
    if (weeks.length === 0) return [];
    const logs = await this.db.reader.findBy(LIST_ENTITIES.strengthLog, { date: MoreThanOrEqual(mondayOf(from)) });
    const logged = new Set(logs.map((l) => `${l.athleteId} ${mondayOf(l.date)} ${labelIn(l)}`));
    return weeks.flatMap((w) =>
      (JSON.parse(w.data) as PublishedSession[])
        .filter((s) => s.date >= from && s.date < today && !logged.has(`${w.athleteId} ${w.monday} ${s.label}`))
        .map((s) => ({ athleteId: w.athleteId, date: s.date, label: s.label })),
    );
  }

  /** Whether a session of a week was locked on a day that is still to come: it was moved, not missed. */
  async stands(athleteId: string, label: string, monday: IsoDate, today: IsoDate): Promise<boolean> {
    const date = Between(today, addDays(monday, 6));
    return (await this.db.reader.findBy(LIST_ENTITIES.locked, { athleteId, date })).some((l) => labelIn(l) === label);
  }

  /** What is not answered yet, the latest first. */
  open(): Promise<ArrivalRow[]> {
    return this.db.reader.find(ArrivalEntity, { where: { done: false }, order: { at: "DESC" } });
  }

  /** Everything that came in from an athlete and is still kept. */
  arrivals(athleteId: string): Promise<ArrivalRow[]> {
    return this.db.reader.find(ArrivalEntity, { where: { athleteId }, order: { at: "ASC" } });
  }

  /** @returns false where nothing of that came in */
  async settle(athleteId: string, thing: string, done: boolean, until: IsoDate | null): Promise<boolean> {
    const changed = await this.db.write((m) => m.update(ArrivalEntity, { athleteId, thing }, { done, until }));
    return Boolean(changed.affected);
  }

  /** Writes down that an account read or changed something of an athlete. @param times since the last writing */
  async looked(row: Omit<AccessLogRow, "times" | "lastAt">, times: number): Promise<void> {
    const { athleteId, day, account, what, changed, who } = row;
    await this.db.writeAside(async (m) => {
      const key = { athleteId, day, account, what, changed };
      const known = await m.findOneBy(AccessLogEntity, key);
      if (known) await m.update(AccessLogEntity, key, { times: known.times + times, lastAt: now(), who });
      else {
        await m.insert(AccessLogEntity, { ...key, who, times, lastAt: now() });
        await m.delete(AccessLogEntity, { day: LessThan(daysAgo(ACCESS_KEPT_DAYS).slice(0, 10)) });
      }
    });
  }

  lookers(athleteId: string): Promise<AccessLogRow[]> {
    return this.db.reader.find(AccessLogEntity, { where: { athleteId }, order: { lastAt: "DESC" }, take: 500 });
  }
}

export const arrivalKind = (kind: string): ArrivalKind => ARRIVAL_KINDS.find((k) => k === kind) ?? "message";
export { aboutIn };

async function put(m: EntityManager, athleteId: string, a: Arrival): Promise<void> {
  const key = { athleteId, thing: a.thing };
  const known = await m.findOneBy(ArrivalEntity, key);
  const said = { kind: a.kind, about: a.about && JSON.stringify(a.about), text: a.text, urgent: a.urgent };
  if (!known) {
    await m.insert(ArrivalEntity, { ...key, ...said, at: now(), done: false, until: null });
    return;
  }
  if (known.text === a.text) return;
  await m.update(ArrivalEntity, key, { ...said, at: now(), done: false, until: null });
}
