/** What an athlete's phone asks for and tells: its facts, moving and leaving out sessions, messages, trouble; and the coach's side of it. */

import type { DeviceView } from "../../api/accountViews";
import { sessionsOf, weekChangedSince } from "../../api/make/published";
import { sessionView } from "../../api/make/session";
import { withMove, withSkip } from "../../api/make/told";
import { NEED_WORDS } from "../../api/needs";
import type { AccessLogView, InvitationView, PhoneFacts, PhoneView } from "../../api/phoneViews";
import {
  deviceNameBody,
  messageBody,
  type PhoneMoveBody,
  type PhoneSkipBody,
  phoneMoveBody,
  phoneSkipBody,
  publishBody,
  troubleBody,
} from "../../api/requests";
import { addDays, dayLabel, type IsoDate, minutesOf, mondayOf } from "../../core/dates";
import { weighPlaces } from "../../core/planning";
import { deviceView } from "../accounts/door";
import { sha256 } from "../accounts/secrets";
import { faulty, HttpProblem, notFound } from "../errors";
import { type Call, done, json, type Route, RouteList } from "../http/route";
import { answering } from "../http/scope";
import type { ServerContext } from "../serverContext";
import { troubleText } from "../views/arrivals";
import { athleteTools, dateParam } from "./tools";

/** Weeks that a coach publishes ahead: this one and the three after it. */
const PUBLISHED_AHEAD = 4;

export function phoneRoutes(ctx: ServerContext): Route[] {
  const r = new RouteList("/athletes");
  factRoutes(r, ctx);
  ownWeekRoutes(r, ctx);
  talkRoutes(r, ctx);
  deviceRoutes(r, ctx);
  publishRoutes(r, ctx);
  return r.all;
}

/** Everything a phone goes on from. */
function factRoutes(r: RouteList, { store, planner, clubName }: ServerContext): void {
  r.read("/:id/phone", async ({ params, query }) => {
    const revision = await store.athletes.revision(params.id);
    if (revision === null) throw notFound("athlete");
    const stamp = await store.phone.stamp(params.id);
    const tag = sha256(JSON.stringify([params.id, revision, store.rules, planner.today(), stamp]));
    if (query.have === tag) return done();
    const found = await store.athletes.get(params.id);
    if (!found) throw notFound("athlete");
    // The coach's own notes about weeks stay with the coach.
    const { revision: _, record: __, notes: ___, ...facts } = found;
    const view: PhoneFacts = {
      at: new Date().toISOString(),
      today: planner.today(),
      club: clubName,
      tag,
      planning: { ...facts, notes: {}, today: planner.today(), ...(await store.exercises.facts()) },
      published: await store.phone.published(params.id),
      messages: await store.phone.messages(params.id),
    };
    return json(view);
  });
}

const MOVED = "The move";

/** An athlete's own week: a session elsewhere in it, or left out of it. */
function ownWeekRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { season, change } = athleteTools(ctx);

  /** @throws where the session does not stand, or may not stand there */
  const checkedMove = async ({ params, body }: Call<PhoneMoveBody>): Promise<void> => {
    const { date, label, to } = body;
    const p = await season(params.id, date);
    const week = p.plan.weeks.find((w) => w.season.start === mondayOf(date));
    const session = week?.sessions.find((s) => s.label === label);
    if (!week || !session)
      throw new HttpProblem(
        409,
        "Not there any more",
        "Nothing was moved: this session does not stand in the week any more.",
      );
    if (session.date === to.date && session.start === minutesOf(to.start)) return;
    if (session.locked && session.date !== date)
      throw new HttpProblem(
        409,
        "Moved meanwhile",
        `Nothing was moved: your coach has put this session on ${dayLabel(session.date)}.`,
      );
    const board = weighPlaces(week.input, week.sessions, label);
    const place = board.places.find(
      (x) => x.date === to.date && x.start === minutesOf(to.start) && x.place === to.place,
    );
    if (!place) throw faulty([{ path: "to", expected: "one of the free time slots of the week expected" }], MOVED);
    if (place.blocked) throw faulty([{ path: "to", expected: `another time expected: ${place.blocked.text}` }], MOVED);
  };

  r.planned("POST", "/:id/phone/moves", { body: { schema: phoneMoveBody, what: MOVED } }, checkedMove, async (call) => {
    const { params, body, who } = call;
    const { date, label, to } = body;
    const answer = answering(done(), params.id);
    if (who.role === "athlete")
      await store.phone.arrived(params.id, [
        {
          thing: `moved/${mondayOf(date)}/${label}`,
          kind: "moved",
          about: { date: to.date, label },
          text: `Session ${label} moved from ${dayLabel(date)} to ${dayLabel(to.date)} ${to.start}`,
          urgent: false,
        },
      ]);
    const words = `${label} moved to ${dayLabel(to.date)} ${to.start}`;
    await change(params.id, MOVED, (a) => withMove(a, { label, ...to }), words);
    return answer;
  });

  const isThere = async ({ params, body }: Call<PhoneSkipBody>): Promise<void> => {
    const { date, label } = body;
    if (!sessionView(await season(params.id, date), planner.today(), date, label))
      throw new HttpProblem(
        409,
        "Not there any more",
        "Nothing was left out: this session does not stand on that day any more.",
      );
  };
  const skipSpec = { body: { schema: phoneSkipBody, what: "What is left out" } };
  r.planned("POST", "/:id/phone/skips", skipSpec, isThere, async ({ params, body, who }) => {
    const { date, label, why } = body;
    const answer = answering(done(), params.id);
    if (who.role === "athlete")
      await store.phone.arrived(params.id, [
        {
          thing: `left-out/${mondayOf(date)}/${label}`,
          kind: "left-out",
          about: { date, label },
          text: `Session ${label} of ${dayLabel(date)} left out: ${why}`,
          urgent: false,
        },
      ]);
    await change(params.id, "The change", (a) => withSkip(a, date, label, why), `${label} left out this week`);
    return answer;
  });
}

/** Short messages, and trouble that an athlete reports. */
function talkRoutes(r: RouteList, { store }: ServerContext): void {
  const nameOf = async (account: string | null): Promise<string> =>
    (account === null ? null : await store.accounts.get(account))?.shown ?? "Coach";

  r.change("POST", "/:id/messages", { body: { schema: messageBody, what: "The message" } }, async (call) => {
    const { params, body, who, account } = call;
    const { id, text } = body;
    const isAthlete = who.role === "athlete";
    const about = body.about === null ? null : JSON.stringify(body.about);
    const answer = done();
    const message = { id, by: isAthlete ? "athlete" : "coach", who: await nameOf(account), text, about };
    const arrival = { thing: `message/${id}`, kind: "message", about: body.about, text, urgent: false } as const;
    if (!(await store.phone.say(params.id, message, isAthlete ? arrival : null, () => answering(answer, params.id))))
      throw notFound("athlete");
    return answer;
  });

  r.change("POST", "/:id/phone/troubles", { body: { schema: troubleBody, what: "The report" } }, async (call) => {
    const { params, body, account } = call;
    const text = troubleText(body.area, body.side, body.level, body.text);
    const answer = done();
    const message = { id: body.id, by: "athlete", who: await nameOf(account), text, about: null };
    const arrival = { thing: `trouble/${body.id}`, kind: "trouble", about: null, text, urgent: true } as const;
    if (!(await store.phone.say(params.id, message, arrival, () => answering(answer, params.id))))
      throw notFound("athlete");
    return answer;
  });
}

/** Phones: invited, named, signed out. */
function deviceRoutes(r: RouteList, { store }: ServerContext): void {
  const { accounts } = store;

  r.peek("/:id/phone/devices", async ({ params, from }) => {
    const view: DeviceView[] = (await accounts.phones(params.id)).phones.map((row) => deviceView(row, from?.token));
    return json(view);
  });

  const naming = { body: { schema: deviceNameBody, what: "The name" } };
  r.change("PUT", "/:id/phone/devices/:row", naming, async ({ params, body }) => {
    if (!(await accounts.namePhone(params.id, params.row, body.device))) throw notFound("phone of this athlete");
    return done();
  });

  r.change("DELETE", "/:id/phone/devices/:row", {}, async ({ params }) => {
    if (!(await accounts.signOutPhone(params.id, params.row))) throw notFound("phone of this athlete");
    return done();
  });

  r.change("POST", "/:id/phone/invitations", {}, async ({ params }) => {
    const found = (await store.athletes.list()).find((a) => a.id === params.id);
    if (!found) throw notFound("athlete");
    const view: InvitationView = await accounts.invitePhone(params.id, found.name);
    return json(view, 201);
  });

  r.peek("/:id/access", async ({ params }) => {
    const view: AccessLogView = (await store.phone.lookers(params.id)).map((l) => ({
      day: l.day,
      who: l.who,
      what: NEED_WORDS[l.what as keyof typeof NEED_WORDS] ?? l.what,
      changed: Boolean(l.changed),
      times: l.times,
      lastAt: l.lastAt,
    }));
    return json(view);
  });
}

/** What the coach gives out, week by week. */
function publishRoutes(r: RouteList, ctx: ServerContext): void {
  const { store, planner } = ctx;
  const { season } = athleteTools(ctx);

  r.read("/:id/phone/coach", async ({ params }) => {
    const today = planner.today();
    const first = mondayOf(today);
    const mondays = Array.from({ length: PUBLISHED_AHEAD }, (_, i) => addDays(first, 7 * i));
    const p = await season(params.id, mondays.at(-1) ?? first);
    const { athlete } = p.stored;
    const published = await store.phone.published(params.id);
    const { phones, openUntil } = await store.accounts.phones(params.id);
    const view: PhoneView = {
      name: athlete.athlete.name,
      phones: phones.map((row) => deviceView(row, null)),
      openUntil,
      weeks: mondays
        .filter((monday) => p.plan.season.some((w) => w.start === monday))
        .map((monday) => {
          const week = published.find((w) => w.monday === monday);
          const now = sessionsOf(p, monday);
          const changed = week ? weekChangedSince(week, now, athlete, today) : [];
          return {
            monday,
            sessions: now.length,
            published: week ? { at: week.at, note: week.note } : null,
            changed: changed.flatMap((c) => c.changes.map((text) => `${c.label}: ${text}`)),
          };
        }),
      messages: await store.phone.messages(params.id),
    };
    return json(view);
  });

  const mondayParam = (date: string): IsoDate => mondayOf(dateParam(date));
  r.planned(
    "PUT",
    "/:id/published/:monday",
    { body: { schema: publishBody, what: "The week" } },
    async ({ params }) => {
      const monday = mondayParam(params.monday);
      const p = await season(params.id, monday);
      if (!p.plan.weeks.some((w) => w.season.start === monday))
        throw faulty([{ path: "monday", expected: "a week of this season that is not over expected" }], "The week");
      return sessionsOf(p, monday);
    },
    async ({ params, body }, sessions) => {
      if (!(await store.phone.publish(params.id, mondayParam(params.monday), body.note, sessions)))
        throw notFound("athlete");
      return done();
    },
  );

  r.change("DELETE", "/:id/published/:monday", {}, async ({ params }) => {
    if (!(await store.phone.publish(params.id, mondayParam(params.monday), "", null))) throw notFound("athlete");
    return done();
  });
}
