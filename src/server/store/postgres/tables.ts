/**
 * The tables of many clubs on a database server. Each is the table of the same name in a club's own file, behind a column that names the club,
 * which begins every key. A row of another club is not there for anybody: row-level security, forced, by the club that the transaction has set.
 */
import { ATHLETE_COLUMNS, JOURNAL_TABLES } from "../journal";

/** Setting of a transaction that names its club. */
export const CLUB = "field_anchor.club";
/** Setting of a transaction in which the rows that change are written down. */
export const JOURNAL = "field_anchor.journal";

type Type = "text" | "integer" | "boolean";
export interface Table {
  name: string;
  /** A question mark at the end: may be null. */
  columns: Readonly<Record<string, Type | `${Type}?` | `${Type} DEFAULT ${string}`>>;
  /** Columns of the primary key after the club. */
  key: readonly string[];
  /** Column and the table whose id it names; rows go with the row they name. */
  of?: Readonly<Record<string, string>>;
  unique?: readonly string[];
  indexes?: Readonly<Record<string, string>>;
}

const LIST: Table["columns"] = { id: "text", athlete_id: "text", seq: "integer", date: "text", data: "text" };
const list = (name: string, columns = LIST, indexes: Table["indexes"] = {}): Table => ({
  name,
  columns,
  key: ["id"],
  of: { athlete_id: "athlete" },
  indexes: { [`${name}_by_athlete`]: "(club_id, athlete_id, date)", ...indexes },
});
const ofAthlete = (name: string, columns: Table["columns"], key: readonly string[] = []): Table => ({
  name,
  columns: { athlete_id: "text", ...columns },
  key: ["athlete_id", ...key],
  of: { athlete_id: "athlete" },
});
const named = (name: string, key: string, columns: Table["columns"] = {}): Table => ({
  name,
  columns: { [key]: "text", ...columns },
  key: [key],
});

/** Those that others name stand before them. */
export const TABLES: readonly Table[] = [
  {
    name: "athlete",
    columns: {
      id: "text",
      position: "integer",
      revision: "integer",
      name: "text",
      record: "text",
      archived_at: "text?",
    },
    key: ["id"],
  },
  list("race"),
  list(
    "endurance_session",
    { ...LIST, batch: "text?" },
    {
      endurance_session_by_batch: "(club_id, batch) WHERE batch IS NOT NULL",
    },
  ),
  list("strength_log"),
  list("locked_session"),
  ofAthlete("held_week", { monday: "text", data: "text" }, ["monday"]),
  ofAthlete("session_swap", { date: "text", label: "text", from_exercise: "text", to_exercise: "text" }, [
    "date",
    "label",
    "from_exercise",
  ]),
  named("own_exercise", "id", { data: "text" }),
  named("hidden_exercise", "id"),
  {
    name: "import_batch",
    columns: { id: "text", athlete_id: "text", at: "text", name: "text", counts: "text", undo: "text" },
    key: ["id"],
    of: { athlete_id: "athlete" },
    indexes: { import_batch_by_athlete: "(club_id, athlete_id, at)" },
  },
  ofAthlete("feed_link", { account: "text", cursor: "text?", checked_at: "text?", fault: "text?" }),
  ofAthlete("week_note", { monday: "text", text: "text" }, ["monday"]),
  named("coach_absence", "id", { start: "text", end: "text", what: "text" }),
  {
    name: "edit",
    columns: {
      id: "text",
      athlete_id: "text",
      seq: "integer",
      at: "text",
      what: "text",
      changes: "text",
      undone: "boolean",
    },
    key: ["id"],
    of: { athlete_id: "athlete" },
    indexes: { edit_by_athlete: "(club_id, athlete_id, seq)" },
  },
  named("club_setting", "name", { data: "text" }),
  {
    name: "approach",
    columns: { id: "text", version: "integer", at: "text", note: "text", data: "text" },
    key: ["id", "version"],
  },
  named("session_template", "id", { name: "text", data: "text" }),
  ofAthlete("week_plan", { monday: "text", data: "text" }, ["monday"]),
  {
    name: "block_review",
    columns: { id: "text", athlete_id: "text", start: "text", end: "text", text: "text", sent_at: "text?" },
    key: ["id"],
    of: { athlete_id: "athlete" },
  },
  {
    name: "idempotency",
    columns: { key: "text", athlete_id: "text?", request: "text", status: "integer", answer: "text", at: "text" },
    key: ["key"],
    of: { athlete_id: "athlete" },
  },
  named("erasure", "athlete_id", { at: "text" }),
  named("hidden_batch", "batch"),
  {
    name: "account",
    columns: {
      id: "text",
      name: "text",
      shown: "text",
      role: "text",
      athletes: "text",
      hash: "text?",
      codes: "text",
      closed: "boolean",
      made_at: "text",
    },
    key: ["id"],
    unique: ["name"],
  },
  {
    name: "account_session",
    columns: {
      id: "text",
      account_id: "text",
      made_at: "text",
      seen_at: "text",
      ends_at: "text",
      device: "text",
      kind: "text DEFAULT 'browser'",
    },
    key: ["id"],
    of: { account_id: "account" },
    indexes: { account_session_by_account: "(club_id, account_id)" },
  },
  named("access", "name", { data: "text" }),
  {
    name: "message",
    columns: {
      id: "text",
      athlete_id: "text",
      at: "text",
      by_whom: "text",
      who: "text",
      text: "text",
      about: "text?",
    },
    key: ["id"],
    of: { athlete_id: "athlete" },
    indexes: { message_by_athlete: "(club_id, athlete_id, at)" },
  },
  ofAthlete("published_week", { monday: "text", at: "text", note: "text", data: "text" }, ["monday"]),
  ofAthlete(
    "arrival",
    {
      thing: "text",
      at: "text",
      kind: "text",
      about: "text?",
      text: "text",
      urgent: "boolean",
      done: "boolean",
      until: "text?",
    },
    ["thing"],
  ),
  {
    name: "access_log",
    columns: {
      athlete_id: "text",
      day: "text",
      account: "text",
      what: "text",
      changed: "boolean",
      who: "text",
      times: "integer",
      last_at: "text",
    },
    key: ["athlete_id", "day", "account", "what", "changed"],
  },
  {
    name: "passkey",
    columns: {
      id: "text",
      account_id: "text",
      public_key: "text",
      counter: "integer",
      transports: "text",
      name: "text",
      made_at: "text",
      used_at: "text?",
    },
    key: ["id"],
    of: { account_id: "account" },
    indexes: { passkey_by_account: "(club_id, account_id)" },
  },
  named("athlete_group", "id", { position: "integer", name: "text", hour: "text?" }),
  {
    name: "group_member",
    columns: { group_id: "text", athlete_id: "text", seq: "integer" },
    key: ["group_id", "athlete_id"],
    of: { group_id: "athlete_group", athlete_id: "athlete" },
  },
  {
    name: "many_change",
    columns: { id: "text", at: "text", what: "text", undone: "boolean" },
    key: ["id"],
  },
  {
    name: "many_change_athlete",
    columns: { change_id: "text", athlete_id: "text", seq: "integer" },
    key: ["change_id", "athlete_id"],
    of: { change_id: "many_change", athlete_id: "athlete" },
  },
];

/** What is kept in memory of a club is read anew where one of these has changed. */
const KEPT_IN_MEMORY = ["club_setting", "approach", "own_exercise", "hidden_exercise"];

const quoted = (names: readonly string[]): string => names.map((n) => `"${n}"`).join(", ");

/** Text is compared by its bytes, as a club's own file does it. */
function columnOf(name: string, type: string): string {
  const [, kind = "", optional, fallback = ""] = /^(\w+)(\?)?(.*)$/.exec(type) ?? [];
  return `"${name}" ${kind}${kind === "text" ? ' COLLATE "C"' : ""}${optional ? "" : " NOT NULL"}${fallback}`;
}

function tableSql({ name, columns, key, of = {}, unique = [], indexes = {} }: Table): string[] {
  const parts = [
    ...Object.entries(columns).map(([n, t]) => columnOf(n, t)),
    `club_id text COLLATE "C" NOT NULL DEFAULT current_setting('${CLUB}') REFERENCES club(id) ON DELETE CASCADE`,
    `PRIMARY KEY (club_id, ${quoted(key)})`,
    ...unique.map((n) => `UNIQUE (club_id, "${n}")`),
    ...Object.entries(of).map(
      ([n, t]) => `FOREIGN KEY (club_id, "${n}") REFERENCES ${t}(club_id, id) ON DELETE CASCADE`,
    ),
  ];
  return [
    `CREATE TABLE ${name} (${parts.join(", ")})`,
    ...Object.entries(indexes).map(([n, on]) => `CREATE INDEX ${n} ON ${name} ${on}`),
    ...closedSql(name),
  ];
}

/** Rows of another club are not there, for the owner of the tables neither. */
function closedSql(name: string): string[] {
  const own = `club_id = current_setting('${CLUB}', true)`;
  return [
    `ALTER TABLE ${name} ENABLE ROW LEVEL SECURITY`,
    `ALTER TABLE ${name} FORCE ROW LEVEL SECURITY`,
    `CREATE POLICY of_club ON ${name} USING (${own}) WITH CHECK (${own})`,
  ];
}

/**
 * The clubs themselves. Which one an address belongs to, and which there are, is asked of two functions that run as the owner of the tables: the
 * application sees its own club's row and no other.
 */
const CLUB_SQL = [
  `CREATE TABLE club (id text COLLATE "C" PRIMARY KEY, name text COLLATE "C" NOT NULL, host text COLLATE "C" NOT NULL UNIQUE, version bigint NOT NULL DEFAULT 0, memory bigint NOT NULL DEFAULT 0)`,
  "ALTER TABLE club ENABLE ROW LEVEL SECURITY",
  `CREATE POLICY of_club ON club USING (id = current_setting('${CLUB}', true)) WITH CHECK (id = current_setting('${CLUB}', true))`,
  "CREATE FUNCTION club_at(asked text) RETURNS TABLE (id text, name text) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS 'SELECT id, name FROM club WHERE host = asked'",
  "CREATE FUNCTION all_clubs() RETURNS TABLE (id text, name text, host text) LANGUAGE sql STABLE SECURITY DEFINER SET search_path = public, pg_temp AS 'SELECT id, name, host FROM club ORDER BY id'",
];

const MEMORY_SQL = [
  `CREATE FUNCTION memory_changed() RETURNS trigger LANGUAGE plpgsql AS $$
    BEGIN UPDATE club SET memory = memory + 1 WHERE id = current_setting('${CLUB}', true); RETURN NULL; END $$`,
  ...KEPT_IN_MEMORY.map(
    (t) =>
      `CREATE TRIGGER memory_changed AFTER INSERT OR UPDATE OR DELETE ON ${t} FOR EACH ROW EXECUTE FUNCTION memory_changed()`,
  ),
];

/** The rows that an edit changes are written down by triggers, so that a change costs what it changes and not what the athlete has. */
function journalSql(): string[] {
  return JOURNAL_TABLES.flatMap(({ table }) => {
    const columns =
      table === "athlete" ? ATHLETE_COLUMNS : Object.keys(TABLES.find((t) => t.name === table)?.columns ?? {});
    const json = (row: "OLD" | "NEW") =>
      `json_build_object(${columns.map((c) => `'${c}', ${row}."${c}"`).join(", ")})::text`;
    return [
      `CREATE FUNCTION journal_${table}() RETURNS trigger LANGUAGE plpgsql AS $$
        BEGIN
          INSERT INTO pg_temp.row_change (tbl, "before", "after") VALUES ('${table}',
            CASE WHEN TG_OP = 'INSERT' THEN NULL ELSE ${json("OLD")} END,
            CASE WHEN TG_OP = 'DELETE' THEN NULL ELSE ${json("NEW")} END);
          RETURN NULL;
        END $$`,
      `CREATE TRIGGER journal AFTER INSERT OR UPDATE OR DELETE ON ${table} FOR EACH ROW
        WHEN (current_setting('${JOURNAL}', true) = 'on') EXECUTE FUNCTION journal_${table}()`,
    ];
  });
}

/** Answers that were worked out once and serve every server. Nothing of worth is lost with them: they are in no dump and no copy. */
export const ANSWERS = "kept_answer";
const ANSWERS_SQL = [
  `CREATE UNLOGGED TABLE ${ANSWERS} (athlete_id text COLLATE "C" NOT NULL, what text COLLATE "C" NOT NULL, key text NOT NULL, body text NOT NULL, club_id text COLLATE "C" NOT NULL DEFAULT current_setting('${CLUB}') REFERENCES club(id) ON DELETE CASCADE, PRIMARY KEY (club_id, athlete_id, what), FOREIGN KEY (club_id, athlete_id) REFERENCES athlete(club_id, id) ON DELETE CASCADE)`,
  ...closedSql(ANSWERS),
];

/** Everything, in order. */
export const firstTablesSql = (): string[] => [
  ...CLUB_SQL,
  ...TABLES.flatMap(tableSql),
  ...MEMORY_SQL,
  ...journalSql(),
  ...ANSWERS_SQL,
];

/** What the application's role may do: everything with rows, nothing with tables; the line of work makes itself a schema of its own. */
export const grantsSql = (role: string, database: string): string[] => [
  `GRANT CREATE ON DATABASE "${database}" TO ${role}`,
  `GRANT USAGE ON SCHEMA public TO ${role}`,
  `GRANT SELECT, INSERT, UPDATE, DELETE ON ${[...TABLES.map((t) => t.name), ANSWERS].join(", ")} TO ${role}`,
  `GRANT SELECT, UPDATE (version, memory) ON club TO ${role}`,
  `GRANT SELECT ON migrations TO ${role}`,
  "REVOKE ALL ON FUNCTION club_at(text), all_clubs() FROM PUBLIC",
  `GRANT EXECUTE ON FUNCTION club_at(text), all_clubs() TO ${role}`,
];
