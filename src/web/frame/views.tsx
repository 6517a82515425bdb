/** Every view with its group, name, picture and key: the rail, the bar of a phone, the search box and the keys are made from this list. */
import {
  BookOpen,
  CalendarCheck,
  CalendarDays,
  ClipboardCheck,
  ClipboardList,
  Database,
  Dumbbell,
  FileInput,
  FileText,
  HeartPulse,
  Inbox,
  KeyRound,
  Rows3,
  ScrollText,
  Sheet,
  Smartphone,
  Table2,
  TrendingUp,
  UserPen,
  Users,
  UsersRound,
} from "lucide-react";
import type { ReactNode } from "react";
import type { Need } from "../../api/roles";
import { SeasonGlyph, SessionGlyph, WeekGlyph } from "../ui/glyphs";

export interface ViewEntry {
  /** Last part of its address. */
  id: string;
  group: "club" | "athlete";
  name: string;
  glyph: ReactNode;
  key?: string;
  /** What else people call it. */
  also?: string;
  /** What of the table of roles it needs. */
  need: Need;
}

const look = { size: 18, strokeWidth: 1.6, "aria-hidden": true } as const;

export const VIEWS: readonly ViewEntry[] = [
  {
    id: "",
    group: "club",
    need: "club.see",
    name: "Squad",
    glyph: <Users {...look} />,
    key: "1",
    also: "athletes home",
  },
  {
    id: "came-in",
    group: "club",
    need: "came-in",
    name: "Came in",
    glyph: <Inbox {...look} />,
    also: "inbox messages logs pain phones",
  },
  {
    id: "club-week",
    group: "club",
    need: "club.see",
    name: "Club week",
    glyph: <ClipboardList {...look} />,
    also: "report who trained sets done pain",
  },
  {
    id: "calendar",
    group: "club",
    need: "club.see",
    name: "Calendar",
    glyph: <CalendarDays {...look} />,
    key: "9",
    also: "club races",
  },
  {
    id: "gym",
    group: "club",
    need: "gym",
    name: "Gym",
    glyph: <Dumbbell {...look} />,
    key: "0",
    also: "who lifts on a day, racks",
  },
  {
    id: "groups",
    group: "club",
    need: "groups",
    name: "Groups",
    glyph: <UsersRound {...look} />,
    also: "several many at once members",
  },
  {
    id: "library",
    group: "club",
    need: "session",
    name: "Library",
    glyph: <BookOpen {...look} />,
    key: "7",
    also: "exercises",
  },
  {
    id: "approaches",
    group: "club",
    need: "method.read",
    name: "Approaches",
    glyph: <Table2 {...look} />,
    key: "h",
    also: "doses",
  },
  {
    id: "rules",
    group: "club",
    need: "method.read",
    name: "Rules",
    glyph: <ScrollText {...look} />,
    key: "y",
    also: "numbers terms",
  },
  {
    id: "spreadsheets",
    group: "club",
    need: "groups",
    name: "Spreadsheets",
    glyph: <Sheet {...look} />,
    also: "import export strength log tests CSV XLSX",
  },
  {
    id: "club-data",
    group: "club",
    need: "backups",
    name: "Club data",
    glyph: <Database {...look} />,
    key: "b",
    also: "backups restoring",
  },
  {
    id: "accounts",
    group: "club",
    need: "session",
    name: "Accounts",
    glyph: <KeyRound {...look} />,
    also: "sign in password roles",
  },
  { id: "season", group: "athlete", need: "plan.read", name: "Season", glyph: <SeasonGlyph />, key: "2" },
  { id: "week", group: "athlete", need: "plan.read", name: "Week", glyph: <WeekGlyph />, key: "3" },
  {
    id: "session",
    group: "athlete",
    need: "session.read",
    name: "Session",
    glyph: <SessionGlyph />,
    key: "4",
    also: "sheet today",
  },
  {
    id: "lifts",
    group: "athlete",
    need: "plan.read",
    name: "Lifts",
    glyph: <TrendingUp {...look} />,
    key: "j",
    also: "progress 1RM",
  },
  {
    id: "review",
    group: "athlete",
    need: "plan.read",
    name: "Review",
    glyph: <FileText {...look} />,
    key: "k",
    also: "planned done",
  },
  {
    id: "screening",
    group: "athlete",
    need: "health.read",
    name: "Screening",
    glyph: <ClipboardCheck {...look} />,
    key: "6",
    also: "tests",
  },
  {
    id: "health",
    group: "athlete",
    need: "health.read",
    name: "Health",
    glyph: <HeartPulse {...look} />,
    key: "t",
    also: "trouble pain way back injury",
  },
  {
    id: "homework",
    group: "athlete",
    need: "health.read",
    name: "Homework",
    glyph: <CalendarCheck {...look} />,
    key: "m",
    also: "sheets activation flow",
  },
  {
    id: "records",
    group: "athlete",
    need: "plan.change",
    name: "Records",
    glyph: <Rows3 {...look} />,
    key: "5",
    also: "races places logs",
  },
  {
    id: "intake",
    group: "athlete",
    need: "plan.change",
    name: "Intake",
    glyph: <UserPen {...look} />,
    key: "8",
    also: "health free time",
  },
  {
    id: "phone",
    group: "athlete",
    need: "phone.admit",
    name: "Phone",
    glyph: <Smartphone {...look} />,
    also: "invite athlete publish give out messages talk",
  },
  {
    id: "import",
    group: "athlete",
    need: "plan.change",
    name: "Import",
    glyph: <FileInput {...look} />,
    also: "files CSV calendar",
  },
];

/** @param athlete whose, for the views of an athlete */
export const addressOf = (v: ViewEntry, athlete: string): string =>
  v.group === "club" ? `/${v.id}` : `/a/${athlete}/${v.id}`;
