/** Tables as entity schemas (no decorators, so that they run everywhere). Facts are kept as the athlete file has them, in JSON columns. */
import { EntitySchema } from "typeorm";

export interface AthleteRow {
  id: string;
  position: number;
  /** Rises with every write; caches are keyed by it. */
  revision: number;
  name: string;
  /** Since when the athlete is out of the club's views, ISO 8601; null where they are not. */
  archivedAt: string | null;
  /** The athlete file without its long lists, whose places in the order of keys are kept. */
  record: string;
}

export interface ListRow {
  id: string;
  athleteId: string;
  /** Order inside the athlete file. */
  seq: number;
  date: string;
  data: string;
}

export interface HeldRow {
  athleteId: string;
  monday: string;
  data: string;
}

/** An exercise taken instead of the planner's first choice. */
export interface SwapRow {
  athleteId: string;
  date: string;
  label: string;
  from: string;
  to: string;
}

/** An exercise of the coach's own, or one the planner is to leave out. */
export interface OwnExerciseRow {
  id: string;
  data: string;
}
export interface HiddenExerciseRow {
  id: string;
}

/** One import: what it did, and what it takes to undo it. */
export interface ImportRecord {
  id: string;
  athleteId: string;
  at: string;
  name: string;
  counts: string;
  undo: string;
}

/** Whose training log an athlete's records are pulled from. */
export interface FeedLinkRow {
  athleteId: string;
  account: string;
  cursor: string | null;
  checkedAt: string | null;
  fault: string | null;
}

export interface WeekNoteRow {
  athleteId: string;
  monday: string;
  text: string;
}

/** Days on which the coach cannot be with the athletes. */
export interface CoachAbsenceRow {
  id: string;
  start: string;
  end: string;
  what: string;
}

/** One change of an athlete, with the rows as they were and as they became. */
export interface EditRecord {
  id: string;
  athleteId: string;
  seq: number;
  at: string;
  what: string;
  changes: string;
  undone: boolean;
}

/** What holds for the whole club, by name. */
export interface ClubSettingRow {
  name: string;
  data: string;
}

/** One version of one of the coach's copies of an approach. */
export interface ApproachRow {
  id: string;
  version: number;
  at: string;
  note: string;
  data: string;
}

/** A session's make-up kept for other days and athletes. */
export interface TemplateRow {
  id: string;
  name: string;
  data: string;
}

/** A past week as it was planned: it is written once and never again. */
export interface WeekPlanRow {
  athleteId: string;
  monday: string;
  data: string;
}

/** An answer to a request that created something, by the key the request named. */
export interface IdempotencyRow {
  key: string;
  /** Whom it created something for; it goes with them. */
  athleteId: string | null;
  /** Hash of method, address and body. */
  request: string;
  status: number;
  answer: string;
  at: string;
}

/** An athlete that was erased. */
export interface ErasureRow {
  athleteId: string;
  at: string;
}

/** A block review in the coach's words. */
export interface ReviewRow {
  id: string;
  athleteId: string;
  start: string;
  end: string;
  text: string;
  sentAt: string | null;
}

/** Athletes who belong together, with the hour they lift together where there is one. */
export interface GroupRow {
  id: string;
  position: number;
  name: string;
  /** JSON; null where they have no hour. */
  hour: string | null;
}
export interface GroupMemberRow {
  groupId: string;
  athleteId: string;
  seq: number;
}

/** One change made for many: the change of each athlete's history that it is. */
export interface ManyChangeRow {
  id: string;
  at: string;
  what: string;
  undone: boolean;
}
export interface ManyChangeAthleteRow {
  changeId: string;
  athleteId: string;
  /** Of the athlete's own history. */
  seq: number;
}

/** Who may sign in. */
export interface AccountRow {
  id: string;
  /** Signed in with; lower case, each once. */
  name: string;
  shown: string;
  role: string;
  /** JSON: "all", or ids of athletes. */
  athletes: string;
  /** Encoded argon2id; null until the account has a password. */
  hash: string | null;
  /** JSON: hashes of codes that stand for the password once, each with its last moment or null. */
  codes: string;
  closed: boolean;
  madeAt: string;
}

/** A browser that is signed in; known by the hash of its token alone. */
export interface AccountSessionRow {
  id: string;
  accountId: string;
  madeAt: string;
  seenAt: string;
  endsAt: string;
  device: string;
  /** A phone that joined by an invitation, or a browser. */
  kind: "phone" | "browser";
}

/** A key of somebody's device that stands for the password. */
export interface PasskeyRow {
  id: string;
  accountId: string;
  /** base64url. */
  publicKey: string;
  counter: number;
  /** JSON. */
  transports: string;
  name: string;
  madeAt: string;
  usedAt: string | null;
}

/** What athlete and coach wrote each other. */
export interface MessageRow {
  id: string;
  athleteId: string;
  at: string;
  /** athlete or coach. */
  by: string;
  /** Name of who wrote it, as it was then. */
  who: string;
  text: string;
  /** JSON: the session and the exercise it is about; null where it is about none. */
  about: string | null;
}

/** A week as the athlete was given it. */
export interface PublishedWeekRow {
  athleteId: string;
  monday: string;
  at: string;
  note: string;
  /** JSON: its sessions as they stood then. */
  data: string;
}

/** Something that came in from an athlete's phone. */
export interface ArrivalRow {
  athleteId: string;
  /** What it is about, such as "log/2026-03-02/A": what is said of it again takes its place. */
  thing: string;
  at: string;
  kind: string;
  /** JSON: the session it belongs to; null where it belongs to none. */
  about: string | null;
  text: string;
  urgent: boolean;
  done: boolean;
  /** Out of the coach's way until that day. */
  until: string | null;
}

/** Who read or changed what of an athlete on a day. It belongs to this machine, as accounts do. */
export interface AccessLogRow {
  athleteId: string;
  day: string;
  account: string;
  /** The need of the table of roles that it took. */
  what: string;
  changed: boolean;
  /** The account's name, as it was then. */
  who: string;
  times: number;
  lastAt: string;
}

/** What holds for signing in, by name; it belongs to this machine and is not taken from a backup. */
export interface AccessRow {
  name: string;
  data: string;
}

export const AthleteEntity = new EntitySchema<AthleteRow>({
  name: "athlete",
  columns: {
    id: { type: "text", primary: true },
    position: { type: "integer" },
    revision: { type: "integer" },
    name: { type: "text" },
    archivedAt: { type: "text", name: "archived_at", nullable: true },
    record: { type: "text" },
  },
});

const list = (name: string) =>
  new EntitySchema<ListRow>({
    name,
    columns: {
      id: { type: "text", primary: true },
      athleteId: { type: "text", name: "athlete_id" },
      seq: { type: "integer" },
      date: { type: "text" },
      data: { type: "text" },
    },
    indices: [{ name: `${name}_by_athlete`, columns: ["athleteId", "date"] }],
  });

export const LISTS = ["races", "endurance", "strengthLog", "locked"] as const;
export type ListName = (typeof LISTS)[number];

export const LIST_ENTITIES: Record<ListName, EntitySchema<ListRow>> = {
  races: list("race"),
  endurance: list("endurance_session"),
  strengthLog: list("strength_log"),
  locked: list("locked_session"),
};

export const HeldEntity = new EntitySchema<HeldRow>({
  name: "held_week",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    monday: { type: "text", primary: true },
    data: { type: "text" },
  },
});

export const SwapEntity = new EntitySchema<SwapRow>({
  name: "session_swap",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    date: { type: "text", primary: true },
    label: { type: "text", primary: true },
    from: { type: "text", primary: true, name: "from_exercise" },
    to: { type: "text", name: "to_exercise" },
  },
});

export const OwnExerciseEntity = new EntitySchema<OwnExerciseRow>({
  name: "own_exercise",
  columns: { id: { type: "text", primary: true }, data: { type: "text" } },
});

export const HiddenExerciseEntity = new EntitySchema<HiddenExerciseRow>({
  name: "hidden_exercise",
  columns: { id: { type: "text", primary: true } },
});

export const ImportEntity = new EntitySchema<ImportRecord>({
  name: "import_batch",
  columns: {
    id: { type: "text", primary: true },
    athleteId: { type: "text", name: "athlete_id" },
    at: { type: "text" },
    name: { type: "text" },
    counts: { type: "text" },
    undo: { type: "text" },
  },
});

export const FeedLinkEntity = new EntitySchema<FeedLinkRow>({
  name: "feed_link",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    account: { type: "text" },
    cursor: { type: "text", nullable: true },
    checkedAt: { type: "text", name: "checked_at", nullable: true },
    fault: { type: "text", nullable: true },
  },
});

export const WeekNoteEntity = new EntitySchema<WeekNoteRow>({
  name: "week_note",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    monday: { type: "text", primary: true },
    text: { type: "text" },
  },
});

export const CoachAbsenceEntity = new EntitySchema<CoachAbsenceRow>({
  name: "coach_absence",
  columns: {
    id: { type: "text", primary: true },
    start: { type: "text" },
    end: { type: "text" },
    what: { type: "text" },
  },
});

export const EditEntity = new EntitySchema<EditRecord>({
  name: "edit",
  columns: {
    id: { type: "text", primary: true },
    athleteId: { type: "text", name: "athlete_id" },
    seq: { type: "integer" },
    at: { type: "text" },
    what: { type: "text" },
    changes: { type: "text" },
    undone: { type: "boolean" },
  },
});

export const ClubSettingEntity = new EntitySchema<ClubSettingRow>({
  name: "club_setting",
  columns: { name: { type: "text", primary: true }, data: { type: "text" } },
});

export const ApproachEntity = new EntitySchema<ApproachRow>({
  name: "approach",
  columns: {
    id: { type: "text", primary: true },
    version: { type: "integer", primary: true },
    at: { type: "text" },
    note: { type: "text" },
    data: { type: "text" },
  },
});

export const TemplateEntity = new EntitySchema<TemplateRow>({
  name: "session_template",
  columns: { id: { type: "text", primary: true }, name: { type: "text" }, data: { type: "text" } },
});

export const WeekPlanEntity = new EntitySchema<WeekPlanRow>({
  name: "week_plan",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    monday: { type: "text", primary: true },
    data: { type: "text" },
  },
});

export const ReviewEntity = new EntitySchema<ReviewRow>({
  name: "block_review",
  columns: {
    id: { type: "text", primary: true },
    athleteId: { type: "text", name: "athlete_id" },
    start: { type: "text" },
    end: { type: "text" },
    text: { type: "text" },
    sentAt: { type: "text", name: "sent_at", nullable: true },
  },
});

export const IdempotencyEntity = new EntitySchema<IdempotencyRow>({
  name: "idempotency",
  columns: {
    key: { type: "text", primary: true },
    athleteId: { type: "text", name: "athlete_id", nullable: true },
    request: { type: "text" },
    status: { type: "integer" },
    answer: { type: "text" },
    at: { type: "text" },
  },
});

export const ErasureEntity = new EntitySchema<ErasureRow>({
  name: "erasure",
  columns: { athleteId: { type: "text", primary: true, name: "athlete_id" }, at: { type: "text" } },
});

export const GroupEntity = new EntitySchema<GroupRow>({
  name: "athlete_group",
  columns: {
    id: { type: "text", primary: true },
    position: { type: "integer" },
    name: { type: "text" },
    hour: { type: "text", nullable: true },
  },
});

export const GroupMemberEntity = new EntitySchema<GroupMemberRow>({
  name: "group_member",
  columns: {
    groupId: { type: "text", primary: true, name: "group_id" },
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    seq: { type: "integer" },
  },
});

export const ManyChangeEntity = new EntitySchema<ManyChangeRow>({
  name: "many_change",
  columns: {
    id: { type: "text", primary: true },
    at: { type: "text" },
    what: { type: "text" },
    undone: { type: "boolean" },
  },
});

export const ManyChangeAthleteEntity = new EntitySchema<ManyChangeAthleteRow>({
  name: "many_change_athlete",
  columns: {
    changeId: { type: "text", primary: true, name: "change_id" },
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    seq: { type: "integer" },
  },
});

export const AccountEntity = new EntitySchema<AccountRow>({
  name: "account",
  columns: {
    id: { type: "text", primary: true },
    name: { type: "text", unique: true },
    shown: { type: "text" },
    role: { type: "text" },
    athletes: { type: "text" },
    hash: { type: "text", nullable: true },
    codes: { type: "text" },
    closed: { type: "boolean" },
    madeAt: { type: "text", name: "made_at" },
  },
});

export const AccountSessionEntity = new EntitySchema<AccountSessionRow>({
  name: "account_session",
  columns: {
    id: { type: "text", primary: true },
    accountId: { type: "text", name: "account_id" },
    madeAt: { type: "text", name: "made_at" },
    seenAt: { type: "text", name: "seen_at" },
    endsAt: { type: "text", name: "ends_at" },
    device: { type: "text" },
    kind: { type: "text" },
  },
});

export const PasskeyEntity = new EntitySchema<PasskeyRow>({
  name: "passkey",
  columns: {
    id: { type: "text", primary: true },
    accountId: { type: "text", name: "account_id" },
    publicKey: { type: "text", name: "public_key" },
    counter: { type: "integer" },
    transports: { type: "text" },
    name: { type: "text" },
    madeAt: { type: "text", name: "made_at" },
    usedAt: { type: "text", name: "used_at", nullable: true },
  },
});

export const MessageEntity = new EntitySchema<MessageRow>({
  name: "message",
  columns: {
    id: { type: "text", primary: true },
    athleteId: { type: "text", name: "athlete_id" },
    at: { type: "text" },
    by: { type: "text", name: "by_whom" },
    who: { type: "text" },
    text: { type: "text" },
    about: { type: "text", nullable: true },
  },
});

export const PublishedWeekEntity = new EntitySchema<PublishedWeekRow>({
  name: "published_week",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    monday: { type: "text", primary: true },
    at: { type: "text" },
    note: { type: "text" },
    data: { type: "text" },
  },
});

export const ArrivalEntity = new EntitySchema<ArrivalRow>({
  name: "arrival",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    thing: { type: "text", primary: true },
    at: { type: "text" },
    kind: { type: "text" },
    about: { type: "text", nullable: true },
    text: { type: "text" },
    urgent: { type: "boolean" },
    done: { type: "boolean" },
    until: { type: "text", nullable: true },
  },
});

export const AccessLogEntity = new EntitySchema<AccessLogRow>({
  name: "access_log",
  columns: {
    athleteId: { type: "text", primary: true, name: "athlete_id" },
    day: { type: "text", primary: true },
    account: { type: "text", primary: true },
    what: { type: "text", primary: true },
    changed: { type: "boolean", primary: true },
    who: { type: "text" },
    times: { type: "integer" },
    lastAt: { type: "text", name: "last_at" },
  },
});

export const AccessEntity = new EntitySchema<AccessRow>({
  name: "access",
  columns: { name: { type: "text", primary: true }, data: { type: "text" } },
});

export const ENTITIES = [
  AccountEntity,
  AccountSessionEntity,
  AccessEntity,
  AccessLogEntity,
  PasskeyEntity,
  MessageEntity,
  PublishedWeekEntity,
  ArrivalEntity,
  IdempotencyEntity,
  ErasureEntity,
  AthleteEntity,
  ...Object.values(LIST_ENTITIES),
  HeldEntity,
  SwapEntity,
  OwnExerciseEntity,
  HiddenExerciseEntity,
  ImportEntity,
  FeedLinkEntity,
  WeekNoteEntity,
  CoachAbsenceEntity,
  EditEntity,
  ClubSettingEntity,
  ApproachEntity,
  TemplateEntity,
  WeekPlanEntity,
  ReviewEntity,
  GroupEntity,
  GroupMemberEntity,
  ManyChangeEntity,
  ManyChangeAthleteEntity,
];
