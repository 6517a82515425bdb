/** Accounts and the browsers that are signed in. Of passwords, tokens and codes only hashes are stored. */
import { randomUUID } from "node:crypto";
import { type EntityManager, In, Like } from "typeorm";
import { ROLES, type Role, type Who } from "../../api/roles";
import { codeHash, hashPassword, isPassword, newCode, newToken, sha256 } from "../accounts/secrets";
import type { Database } from "./database";
import {
  AccessEntity,
  AccountEntity,
  type AccountRow,
  AccountSessionEntity,
  type AccountSessionRow,
  PasskeyEntity,
  type PasskeyRow,
} from "./entities";

export interface Account extends Who {
  id: string;
  name: string;
  shown: string;
  closed: boolean;
  /** It has a password: somebody has joined. */
  joined: boolean;
  madeAt: string;
}

interface Code {
  hash: string;
  /** Last moment; null where it does not end. */
  until: string | null;
  /** It lets a phone in, without a password, and nothing else. */
  phone?: true;
}

/** Unused for so long a browser is signed out; and in any case after so many days. */
const IDLE_DAYS = { browser: 14, phone: 180 };
const LONGEST_DAYS = { browser: 90, phone: 400 };
/** How often it is written down that a browser or a phone was here. */
const SEEN_EVERY_MS = { browser: 3_600_000, phone: 60_000 };
/** An invitation ends after so many days. */
const INVITED_DAYS = 7;
/** Codes that an account is given to write down. */
const RECOVERY_CODES = 8;
const DAY_MS = 86_400_000;

/** What a passkey is to answer. */
interface Challenge {
  challenge: string;
  account: string | null;
  /** Last moment, ms. */
  until: number;
}
/** Names of challenges begin so; those that are open at once at most. */
const CHALLENGE = "challenge ";
const CHALLENGES = 1_000;

const NO_SIGN_IN = "noSignIn";
/** Names of calendar addresses begin so. */
const CALENDAR = "calendar ";
const calendarOf = (athlete: string): string => JSON.stringify({ calendarOf: athlete });

const inDays = (days: number): string => new Date(Date.now() + days * DAY_MS).toISOString();
export const loginName = (name: string): string => name.trim().normalize("NFKC").toLowerCase();

function accountOf(row: AccountRow): Account {
  const role = ROLES.find((r) => r === row.role) ?? "athlete";
  return {
    id: row.id,
    name: row.name,
    shown: row.shown,
    role,
    athletes: role === "owner" ? "all" : (JSON.parse(row.athletes) as Who["athletes"]),
    closed: Boolean(row.closed),
    joined: row.hash !== null,
    madeAt: row.madeAt,
  };
}

export class AccountStore {
  constructor(private readonly db: Database) {}

  async list(): Promise<Account[]> {
    return (await this.db.reader.find(AccountEntity, { order: { madeAt: "ASC" } })).map(accountOf);
  }

  async get(id: string): Promise<Account | null> {
    const row = await this.db.reader.findOneBy(AccountEntity, { id });
    return row && accountOf(row);
  }

  count(): Promise<number> {
    return this.db.reader.count(AccountEntity);
  }

  /** Nobody is asked who they are: said by the first visitor on this machine. */
  async noSignIn(): Promise<boolean> {
    return (await this.db.reader.findOneBy(AccessEntity, { name: NO_SIGN_IN })) !== null;
  }

  async chooseNoSignIn(): Promise<void> {
    await this.db.write((m) => m.upsert(AccessEntity, { name: NO_SIGN_IN, data: "true" }, ["name"]));
  }

  /** The first account. @returns null where there is one already */
  async addOwner(name: string, shown: string, password: string): Promise<{ id: string; codes: string[] } | null> {
    const hash = await hashPassword(password);
    const codes = newCodes();
    const row = { ...freshRow(name, shown, "owner", "all"), hash, codes: kept(codes, null) };
    return this.db.write(async (m) => {
      if ((await m.count(AccountEntity)) > 0) return null;
      await m.insert(AccountEntity, row);
      // Whoever makes an account wants to be asked.
      await m.delete(AccessEntity, { name: NO_SIGN_IN });
      return { id: row.id, codes };
    });
  }

  /** @returns the account's id with the code by which its person joins; null where the name is taken */
  async invite(
    name: string,
    shown: string,
    role: Role,
    athletes: Who["athletes"],
  ): Promise<{ id: string; code: string } | null> {
    const code = newCode();
    const row = { ...freshRow(name, shown, role, athletes), codes: kept([code], inDays(INVITED_DAYS)) };
    return this.db.write(async (m) => {
      if (await m.findOneBy(AccountEntity, { name: row.name })) return null;
      await m.insert(AccountEntity, row);
      return { id: row.id, code };
    });
  }

  /** Another code to join with, or to find back in; those before it are void. @returns null where there is no such account */
  async newInvitation(id: string): Promise<string | null> {
    const code = newCode();
    const done = await this.db.write((m) =>
      m.update(AccountEntity, { id }, { codes: kept([code], inDays(INVITED_DAYS)) }),
    );
    return done.affected ? code : null;
  }

  /** Role, athletes and whether it is closed. Whoever is signed in with it is signed out, so that nothing old holds. */
  async change(id: string, role: Role, athletes: Who["athletes"], closed: boolean): Promise<"done" | "none" | "last"> {
    return this.db.write(async (m) => {
      const row = await m.findOneBy(AccountEntity, { id });
      if (!row) return "none";
      if ((role !== "owner" || closed) && (await isLastOwner(m, row))) return "last";
      await m.update(AccountEntity, { id }, { role, athletes: JSON.stringify(athletes), closed });
      await m.delete(AccountSessionEntity, { accountId: id });
      return "done";
    });
  }

  async remove(id: string): Promise<"done" | "none" | "last"> {
    return this.db.write(async (m) => {
      const row = await m.findOneBy(AccountEntity, { id });
      if (!row) return "none";
      if (await isLastOwner(m, row)) return "last";
      await m.delete(AccountEntity, { id });
      return "done";
    });
  }

  /** A coach who adds an athlete has them from then on. */
  async assign(id: string, athlete: string): Promise<void> {
    await this.db.write(async (m) => {
      const row = await m.findOneBy(AccountEntity, { id });
      const known = row ? accountOf(row).athletes : "all";
      if (known !== "all")
        await m.update(
          AccountEntity,
          { id },
          { athletes: JSON.stringify([...known.filter((a) => a !== athlete), athlete]) },
        );
    });
  }

  /** Of an athlete who is erased: their own account goes, nobody has them any more. */
  async forgetAthlete(athlete: string): Promise<void> {
    await this.closeCalendar(athlete);
    const having = (await this.list()).filter((a) => a.athletes !== "all" && a.athletes.includes(athlete));
    if (having.length === 0) return;
    await this.db.write(async (m) => {
      for (const a of having) {
        const left = (a.athletes as readonly string[]).filter((x) => x !== athlete);
        if (a.role === "athlete") await m.delete(AccountEntity, { id: a.id });
        else await m.update(AccountEntity, { id: a.id }, { athletes: JSON.stringify(left) });
      }
    });
  }

  /** @returns the account; null where name or password are wrong, which takes the same time */
  async byPassword(name: string, password: string): Promise<Account | null> {
    const row = await this.db.reader.findOneBy(AccountEntity, { name: loginName(name) });
    const same = await isPassword(password, row?.hash ?? null);
    return row && same && !row.closed ? accountOf(row) : null;
  }

  /** Takes a code in place of the password, once, and sets a new one; every browser is signed out. @returns null where it is none */
  async byCode(name: string, code: string, password: string): Promise<{ account: Account; codes: string[] } | null> {
    const hash = await hashPassword(password);
    const wanted = codeHash(code);
    const codes = newCodes();
    return this.db.write(async (m) => {
      const row = await m.findOneBy(AccountEntity, { name: loginName(name) });
      if (!row || row.closed) return null;
      const now = new Date().toISOString();
      const known = JSON.parse(row.codes) as Code[];
      if (!known.some((c) => !c.phone && c.hash === wanted && (c.until === null || c.until > now))) return null;
      await m.update(AccountEntity, { id: row.id }, { hash, codes: kept(codes, null) });
      await m.delete(AccountSessionEntity, { accountId: row.id });
      return { account: accountOf({ ...row, hash }), codes };
    });
  }

  /** @returns false where the password of today is wrong */
  async setPassword(id: string, before: string, password: string): Promise<boolean> {
    const row = await this.db.reader.findOneBy(AccountEntity, { id });
    if (!row || !(await isPassword(before, row.hash))) return false;
    const hash = await hashPassword(password);
    await this.db.write(async (m) => {
      await m.update(AccountEntity, { id }, { hash });
      await m.delete(AccountSessionEntity, { accountId: id });
    });
    return true;
  }

  /** @returns the token; it is nowhere stored */
  async signIn(accountId: string, device: string): Promise<string> {
    const { token, row } = newSession(accountId, device, "browser");
    await this.db.writeAside((m) => m.insert(AccountSessionEntity, row));
    return token;
  }

  /**
   * A code by which one phone of an athlete joins, once, within seven days; the one before it is void. The athlete's account is made with the
   * first.
   * @param shown name of the athlete
   */
  async invitePhone(athlete: string, shown: string): Promise<{ code: string; until: string }> {
    const code = newCode();
    const until = inDays(INVITED_DAYS);
    await this.db.write(async (m) => {
      const known = await athleteAccount(m, athlete);
      const row = known ?? { ...freshRow(`athlete ${athlete}`, shown, "athlete", [athlete]) };
      const others = (JSON.parse(row.codes) as Code[]).filter((c) => !c.phone);
      const codes = JSON.stringify([...others, { hash: codeHash(code), until, phone: true } satisfies Code]);
      if (known) await m.update(AccountEntity, { id: row.id }, { codes });
      else await m.insert(AccountEntity, { ...row, codes });
    });
    return { code, until };
  }

  /** @returns the token of the phone that joins; null where the code is none, was used or is too old */
  async joinPhone(code: string, device: string): Promise<string | null> {
    const wanted = codeHash(code);
    return this.db.write(async (m) => {
      const now = new Date().toISOString();
      for (const row of await m.find(AccountEntity, { where: { role: "athlete", closed: false } })) {
        const codes = JSON.parse(row.codes) as Code[];
        if (!codes.some((c) => c.phone && c.hash === wanted && (c.until ?? "") > now)) continue;
        await m.update(
          AccountEntity,
          { id: row.id },
          { codes: JSON.stringify(codes.filter((c) => c.hash !== wanted)) },
        );
        const session = newSession(row.id, device, "phone");
        await m.insert(AccountSessionEntity, session.row);
        return session.token;
      }
      return null;
    });
  }

  /** The browser that sits here as an athlete's phone. */
  async hereAsPhone(accountId: string, device: string): Promise<string> {
    const { token, row } = newSession(accountId, device, "phone");
    await this.db.write((m) => m.insert(AccountSessionEntity, row));
    return token;
  }

  /** Phones of an athlete, the latest heard first, and until when an invitation is open; null where none is. */
  async phones(athlete: string): Promise<{ phones: AccountSessionRow[]; openUntil: string | null }> {
    const row = await athleteAccount(this.db.reader, athlete);
    if (!row) return { phones: [], openUntil: null };
    const phones = await this.db.reader.find(AccountSessionEntity, {
      where: { accountId: row.id, kind: "phone" },
      order: { seenAt: "DESC" },
    });
    const open = (JSON.parse(row.codes) as Code[]).find((c) => c.phone && (c.until ?? "") > new Date().toISOString());
    return { phones, openUntil: open?.until ?? null };
  }

  /** The secret of an athlete's calendar address, anew; only its hash is stored. */
  async newCalendar(athlete: string): Promise<string> {
    const secret = newToken();
    await this.db.write(async (m) => {
      await m.delete(AccessEntity, { data: calendarOf(athlete) });
      await m.insert(AccessEntity, { name: `${CALENDAR}${sha256(secret)}`, data: calendarOf(athlete) });
    });
    return secret;
  }

  async closeCalendar(athlete: string): Promise<void> {
    await this.db.write((m) => m.delete(AccessEntity, { data: calendarOf(athlete) }));
  }

  /** @returns whose calendar it is; null where there is none of that secret */
  async athleteOfCalendar(secret: string): Promise<string | null> {
    const row = await this.db.reader.findOneBy(AccessEntity, { name: `${CALENDAR}${sha256(secret)}` });
    return row ? (JSON.parse(row.data) as { calendarOf: string }).calendarOf : null;
  }

  /** @returns false where it is no phone of this athlete */
  async namePhone(athlete: string, session: string, device: string): Promise<boolean> {
    const row = await athleteAccount(this.db.reader, athlete);
    if (!row) return false;
    const done = await this.db.writeAside((m) =>
      m.update(AccountSessionEntity, { id: session, accountId: row.id, kind: "phone" }, { device }),
    );
    return Boolean(done.affected);
  }

  /** @returns false where it is no phone of this athlete */
  async signOutPhone(athlete: string, session: string): Promise<boolean> {
    const row = await athleteAccount(this.db.reader, athlete);
    return row !== null && this.signOutDevice(row.id, session);
  }

  /** @returns whose browser it is; null where it is signed out, too old, or its account is closed */
  async byToken(token: string): Promise<Account | null> {
    const session = sha256(token);
    const row = await this.db.reader.findOneBy(AccountSessionEntity, { id: session });
    if (!row) return null;
    const now = Date.now();
    const seen = Date.parse(row.seenAt);
    if (row.endsAt <= new Date(now).toISOString() || now - seen > IDLE_DAYS[row.kind] * DAY_MS) {
      await this.signOut(session);
      return null;
    }
    const account = await this.get(row.accountId);
    if (!account || account.closed) return null;
    if (now - seen > SEEN_EVERY_MS[row.kind])
      await this.db.writeAside((m) =>
        m.update(AccountSessionEntity, { id: session }, { seenAt: new Date(now).toISOString() }),
      );
    return account;
  }

  /** Keeps what a passkey is to answer; those that are over go, and of too many the oldest. */
  async keepChallenge(key: string, challenge: Challenge): Promise<void> {
    await this.db.writeAside(async (m) => {
      const open = (await m.findBy(AccessEntity, { name: Like(`${CHALLENGE}%`) }))
        .map((r) => ({ name: r.name, until: (JSON.parse(r.data) as Challenge).until }))
        .sort((a, b) => a.until - b.until);
      const tooMany = Math.max(0, open.length + 1 - CHALLENGES);
      const over = open.filter((c, i) => i < tooMany || c.until < Date.now());
      if (over.length > 0) await m.delete(AccessEntity, { name: In(over.map((c) => c.name)) });
      await m.insert(AccessEntity, { name: CHALLENGE + key, data: JSON.stringify(challenge) });
    });
  }

  /** @returns the challenge, which is there no more; null where there is none */
  takeChallenge(key: string): Promise<Challenge | null> {
    return this.db.writeAside(async (m) => {
      const row = await m.findOneBy(AccessEntity, { name: CHALLENGE + key });
      if (!row) return null;
      await m.delete(AccessEntity, { name: row.name });
      return JSON.parse(row.data) as Challenge;
    });
  }

  passkeys(accountId: string): Promise<PasskeyRow[]> {
    return this.db.reader.find(PasskeyEntity, { where: { accountId }, order: { madeAt: "ASC" } });
  }

  passkey(id: string): Promise<PasskeyRow | null> {
    return this.db.reader.findOneBy(PasskeyEntity, { id });
  }

  async addPasskey(row: Omit<PasskeyRow, "madeAt" | "usedAt">): Promise<void> {
    await this.db.write((m) => m.insert(PasskeyEntity, { ...row, madeAt: new Date().toISOString(), usedAt: null }));
  }

  async usedPasskey(id: string, counter: number): Promise<void> {
    await this.db.write((m) => m.update(PasskeyEntity, { id }, { counter, usedAt: new Date().toISOString() }));
  }

  /** @returns false where it is no passkey of this account */
  async removePasskey(accountId: string, id: string): Promise<boolean> {
    const gone = await this.db.write((m) => m.delete(PasskeyEntity, { id, accountId }));
    return Boolean(gone.affected);
  }

  devices(accountId: string): Promise<AccountSessionRow[]> {
    return this.db.reader.find(AccountSessionEntity, { where: { accountId }, order: { seenAt: "DESC" } });
  }

  async signOut(session: string): Promise<void> {
    await this.db.writeAside((m) => m.delete(AccountSessionEntity, { id: session }));
  }

  /** @returns false where it is no browser of this account */
  async signOutDevice(accountId: string, session: string): Promise<boolean> {
    const gone = await this.db.writeAside((m) => m.delete(AccountSessionEntity, { id: session, accountId }));
    return Boolean(gone.affected);
  }
}

function newSession(accountId: string, device: string, kind: AccountSessionRow["kind"]) {
  const token = newToken();
  const now = new Date().toISOString();
  const endsAt = inDays(LONGEST_DAYS[kind]);
  return { token, row: { id: sha256(token), accountId, madeAt: now, seenAt: now, endsAt, device, kind } };
}

/** The account of one athlete alone. */
const athleteAccount = async (m: EntityManager, athlete: string): Promise<AccountRow | null> =>
  m.findOneBy(AccountEntity, { role: "athlete", athletes: JSON.stringify([athlete]) });

const newCodes = (): string[] => Array.from({ length: RECOVERY_CODES }, newCode);

/** @param until the last moment of all of them; null where they do not end */
const kept = (codes: readonly string[], until: string | null): string =>
  JSON.stringify(codes.map((code): Code => ({ hash: codeHash(code), until })));

const freshRow = (name: string, shown: string, role: Role, athletes: Who["athletes"]): AccountRow => ({
  id: randomUUID(),
  name: loginName(name),
  shown,
  role,
  athletes: JSON.stringify(athletes),
  hash: null,
  codes: "[]",
  closed: false,
  madeAt: new Date().toISOString(),
});

async function isLastOwner(m: EntityManager, row: AccountRow): Promise<boolean> {
  if (row.role !== "owner" || row.closed) return false;
  const owners = await m.find(AccountEntity, { where: { role: "owner" } });
  return owners.filter((o) => !o.closed).length < 2;
}
