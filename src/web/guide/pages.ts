/**
 * The guide: a page a task, in the words of the screens. `**...**` marks what is written on a button, a view or a field.
 * `npm run guide` writes docs/guide.md from it.
 */
export interface GuidePage {
  id: string;
  group: "Every day" | "A new athlete" | "Plan and change" | "Lift and log" | "Look back" | "The club";
  title: string;
  /** What else it is searched by. */
  also: string;
  /** The view it happens on: below an athlete's address where it begins with "a/". */
  view: string;
  steps: readonly string[];
  /** What is good to know beside the steps. */
  note?: string;
}

export const GUIDE: readonly GuidePage[] = [
  {
    id: "several",
    group: "The club",
    title: "One change for several athletes",
    also: "many at once gym closed race group camp holiday",
    view: "",
    steps: [
      "Press **Change several** on the squad. Choose a group, or tick athletes under **Who**.",
      "Choose what changes: **Place closed**, **Away**, **Race**, **Free time**, **Week note** and others, and fill its fields.",
      "Read **For each**: what moves and what finds no room, athlete by athlete. Tick off whom it is not for.",
      "Press **Change** with their number. **Undo** takes it back for all; later it stands under **Made before**.",
    ],
    note: "Whoever was changed by somebody else meanwhile is left out and named; nothing of theirs is overwritten.",
  },
  {
    id: "group-hour",
    group: "The club",
    title: "A group that lifts together",
    also: "tuesday group session racks stations hour attendance absent",
    view: "groups",
    steps: [
      "Open **Groups**, press **New group**, tick its members and **They lift together every week**: day, start, place, racks.",
      "Press **Open the hour**. Each member has the session of their own week that costs it least there; who has no room is named with the reason.",
      "**Stations** shows everybody's work side by side, with the step easier or harder that is open to them.",
      "The button on the right sets the hour: it goes into all their plans, with one undo. **Cards** prints them.",
      "On the day, press **Log for all**: one tap logs a set for any of them, **Absent** says who is not there.",
    ],
  },
  {
    id: "club-week",
    group: "The club",
    title: "The club's week",
    also: "report who trained sets pain tests due pdf",
    view: "club-week",
    steps: [
      "Open **Club week**: the week in sentences, then a row an athlete, day by day.",
      "Step to other weeks with the arrows; a week ahead shows what is planned.",
      "**PDF** is the same on paper.",
    ],
  },
  {
    id: "results",
    group: "The club",
    title: "Results of races, and reports on paper",
    also: "time place splits recording season report pdf years",
    view: "calendar",
    steps: [
      "After a race, open it under **Records**: time, place, how it went; a recording gives time and splits.",
      "**Results**, in the calendar's head, shows every race of the club against what was expected and against the time before.",
      "**Report** in the head of **Review** puts a block or the season so far on paper; **Reports** under **Groups** does it for all members.",
    ],
  },
  {
    id: "next-season",
    group: "The club",
    title: "The next season, and the archive",
    also: "new year hand over leave left again archived",
    view: "a/records",
    steps: [
      "Open **Records** and press **Next season, archive**.",
      "Set the days, leave out races that are not run again, and press **Begin the next season**. One undo takes it back.",
      "**Put into the archive** takes somebody who has left out of every view of the club; **Bring back** stands at the foot of **Groups**.",
    ],
  },
  {
    id: "spreadsheets",
    group: "The club",
    title: "Last year's log from a spreadsheet",
    also: "table xlsx csv import strength log tests export lb names",
    view: "spreadsheets",
    steps: [
      "Drop the file under **Spreadsheets**, or in an athlete's **Import** and press **Open in Spreadsheets**.",
      "Say whose rows they are where the file has no column of names.",
      "Confirm the proposed names of exercises at once, choose the others, or leave their rows out. The club remembers them.",
      "Read what each row becomes; rows that cannot be taken say which field is at fault.",
      "Press **Import** with the number of rows. The same file again adds nothing; **Undo** takes the whole of it back.",
    ],
    note: "**Take all out (XLSX)** gives logs, tests, races, endurance and the plan of all athletes as one workbook.",
  },
  {
    id: "monday",
    group: "Every day",
    title: "See who needs a look",
    also: "monday morning needs attention squad",
    view: "",
    steps: [
      "Open **Squad**. What needs you stands beside each name in three grades: today, this week, soon.",
      "Read the sentence; it says what happened and what the plan does about it already.",
      "Press the name to open the week it is about, or **Seen** to put the point off until Monday.",
    ],
    note: "A point that was put off comes back by itself on the day it names. Nothing is ever deleted by it.",
  },
  {
    id: "today",
    group: "Every day",
    title: "Who lifts today, and their cards",
    also: "gym day cards print racks six in the gym",
    view: "gym",
    steps: [
      "Open **Gym**. The day shows who lifts, at what hour and on which rack.",
      "Where too many want one rack at one hour, choose **Shared out**: hours that keep everybody's week best are worked out, with what they change.",
      "**Cards** opens a page for each athlete of the day to print, with loads and plates.",
    ],
  },
  {
    id: "undo",
    group: "Every day",
    title: "Undo, also an hour later",
    also: "history changes redo mistake back",
    view: "a/week",
    steps: [
      "Right after a change, press **Undo** in the line at the foot, or Ctrl Z.",
      "Later, press **Changes** at the foot, or Z: the last 200 changes of the athlete stand there by day and time.",
      "Undo the one you mean. Where a later change has touched the same thing, undo the later one first.",
    ],
  },
  {
    id: "new-athlete",
    group: "A new athlete",
    title: "Enter a new athlete",
    also: "add create intake first steps",
    view: "new",
    steps: [
      "Press **New athlete** on the squad and give name, sport and training so far; then **Create athlete**.",
      "**Places**: what there is to lift at each place. Loads are only ever asked for that these plates can make.",
      "**Free time slots**: mark when strength is possible, with the place.",
      "Health: areas of trouble, past and present, and clearances. What they close is said at once.",
      "Endurance and races: the next two pages of this guide.",
    ],
    note: "Everything is saved as you type. An athlete file from another copy comes in with **Import an athlete file**.",
  },
  {
    id: "mileage",
    group: "A new athlete",
    title: "Plan the mileage",
    also: "endurance plan usual week amounts km volume step-back taper",
    view: "a/season",
    steps: [
      "On **Season**, press **Plan endurance**.",
      "Name the usual week: days, hours and kinds of its sessions, each with its share.",
      "Give this week's amount, the top, the rise and how often an easier week comes, and press **Plan the weeks**.",
      "Read the preview; drag the top of a week or paste a column of numbers to change it. **Apply** keeps it.",
    ],
    note: "Weeks you leave open stay unknown: they change no dose and are never taken for rest.",
  },
  {
    id: "import",
    group: "A new athlete",
    title: "Bring in past training",
    also: "csv file calendar ics training log feed mapping",
    view: "a/import",
    steps: [
      "Open **Import** and drop the files: tables of sessions, calendars, strength logs.",
      "Match columns and names once; the choice is remembered for the next file.",
      "Read the preview, row by row, and take it over. The same file twice adds nothing.",
      "A usual week that the file shows is offered: **Use as usual week**.",
    ],
    note: "An import is undone as a whole, from the list of what came.",
  },
  {
    id: "race",
    group: "Plan and change",
    title: "Add or move a race",
    also: "race moved taper phases priority A B C",
    view: "a/season",
    steps: [
      "On **Season**, press **Add race**; give the date, the expected time and the importance. Phases follow it.",
      "To move one, drag its flag along the ground line, or use the arrow keys with the flag in focus.",
      "Read what changes, then **Apply** or **Discard**.",
    ],
    note: "A race after the season's end offers to lengthen the season.",
  },
  {
    id: "week",
    group: "Plan and change",
    title: "Place the week, and move a session",
    also: "fit re-plan drag lock swap move free time slot",
    view: "a/week",
    steps: [
      "On **Week**, **Re-plan week** compares every allowed arrangement and takes the one that disturbs the endurance training least.",
      "Drag a session to see, hour by hour, what it would disturb there; days that are closed say why. **Move…** lists the same by day.",
      "Where you put it down on a day without free time, **Add a free time slot this week…** is offered.",
      "**Lock here** keeps a session where it is when the rest is planned again.",
    ],
  },
  {
    id: "came-up",
    group: "Plan and change",
    title: "Something came up",
    also: "travel ill away closed gym missed tired no time disruption",
    view: "a/week",
    steps: [
      "On **Week**, press **Something came up…** and say what: ill or away, a closed place, a missed session. **Ill or away** also stands on **Squad** and **Season**.",
      "The rest of the week is placed again; what changed stands beside it, each with its own way back.",
      "Nothing fits? The nearest changes that make room are offered, with what each would disturb.",
    ],
    note: "After illness and time away the way back is planned by rule. A clinician's word goes before any of it.",
  },
  {
    id: "way-back",
    group: "Plan and change",
    title: "Lead a trouble area back",
    also: "injury pain health achilles knee back stage rehab clinician",
    view: "a/health",
    steps: [
      "Enter the area under **Intake**, step **Health**: side, since when, what set it off.",
      "Open **Health**. It shows the stage of each area, what the plan does in it, and what the next one still needs.",
      "When the sign is there, confirm the next stage with the button beside it: who confirms it, the clinician and their limits.",
      "Going back is always open under **Change the stage**. Pain that rises over three sessions takes the area back by itself.",
    ],
    note: "The stages are common practice and no diagnosis. Numbness, pain at night, a hot swollen calf or a sudden pop belong to a clinician at once.",
  },
  {
    id: "check-in",
    group: "Lift and log",
    title: "Check in before a session",
    also: "sleep sore soreness readiness tired pain fever phone",
    view: "a/session",
    steps: [
      "Open today's session on the floor and press **Before you start: check in, ten seconds**: four things, a tap each.",
      "Ordinary answers change nothing. Others show what would change; **Change today** takes it, **As planned** leaves it.",
      "The coach can do the same from the session: **Check in**.",
    ],
    note: "Three poor days of seven are said on Squad. Answers are no diagnosis.",
  },
  {
    id: "homework",
    group: "Lift and log",
    title: "Homework between sessions",
    also: "home daily finding flow activation stretch tick adherence sheets",
    view: "a/homework",
    steps: [
      "**Homework** lists what is asked at home this week, day by day; a tick says it was done.",
      "It comes from findings and ways back, 15 minutes a day at most: one finding's work in turn, the flow on the days between, activation before runs.",
      "At the rack today's list stands under the check-in and after the last set. Cards print the week's.",
    ],
    note: "**Review** counts what was asked and what was ticked. Homework is never a strength session.",
  },
  {
    id: "athlete-phone",
    group: "Every day",
    title: "Put the plan on an athlete's phone",
    also: "invite phone qr code publish give out week app offline install",
    view: "a/phone",
    steps: [
      "Open **Phone** of the athlete and press **Invite a phone**: a link, a picture to photograph, a code. It lets one phone in, once, within seven days.",
      "Press **Give out** beside this week and the next, with a note where there is something to say. The athlete sees the strength of weeks that are given out, as it stands now; what changes later is marked on the phone.",
      "A lost phone: **Sign out** beside it. It is out at once.",
    ],
    note: "The phone works without network: what is done there waits on it and is sent once. A phone keeps the application only from an encrypted address; docs/phone.md says how.",
  },
  {
    id: "came-in",
    group: "Every day",
    title: "What came in from the athletes",
    also: "inbox messages pain logs missed moved trouble answer",
    view: "came-in",
    steps: [
      "Open **Came in**: what is urgent first, then the latest. Press the line to open it in its place.",
      "**Answer** writes back; **Tomorrow** puts it off until tomorrow; **Seen** is done with it.",
      "What an athlete reports as trouble changes nothing by itself: enter it under **Health**.",
    ],
    note: "Sets of a session are one line, which is there again when something new was logged.",
  },
  {
    id: "accounts",
    group: "The club",
    title: "Let somebody in",
    also: "account role invite password sign in code coach assistant athlete device",
    view: "accounts",
    steps: [
      "On **Accounts**, press **Invite**: a name, a role, and whose plans it may see.",
      "Hand the link over. It holds for seven days, once; on it they choose a password of their own.",
      "**Change** gives another role or other athletes, closes the account, or makes a **New code** for a lost password. Whoever was signed in signs in again.",
    ],
    note: "An assistant sees nobody's health. An owner must stay.",
  },
  {
    id: "shorter",
    group: "Plan and change",
    title: "Shorten a session",
    also: "too long less time 20 30 45 60 minutes dropped",
    view: "a/session",
    steps: [
      "On **Session**, choose a length under the time bar.",
      "Read what goes and what is done less of, then confirm.",
      "What went is owed and comes back in later sessions that have room.",
    ],
  },
  {
    id: "swap",
    group: "Plan and change",
    title: "Another exercise",
    also: "swap replace machine taken not that one equipment",
    view: "a/session",
    steps: [
      "On **Session**, press **Swap** beside the exercise; at the rack it stands under its name.",
      "What this athlete may do with what is in the room comes first, ranked, each with its reason. What may not be done now says why.",
      "Choose one. **Undo** brings the planner's choice back.",
    ],
  },
  {
    id: "by-hand",
    group: "Plan and change",
    title: "Make a session yourself",
    also: "edit template copy to others own session",
    view: "a/session",
    steps: [
      "On **Session**, press **Edit**. Change sets, repetitions, loads and order; minutes and training load follow as you type.",
      "What a rule forbids is refused with its reason; what it only advises against is said.",
      "Keep it, name it as one of the **Templates**, or **Copy to others**.",
    ],
  },
  {
    id: "approach",
    group: "Plan and change",
    title: "Another approach",
    also: "school method dose sets reps percent compare switch phase",
    view: "approaches",
    steps: [
      "Open **Approaches**: six ways of coaching, each a table of what every part of the season prescribes.",
      "**See which sessions another would change** compares two on this athlete's season.",
      "Follow one for all phases or for a single one; **Make a copy to change** to set your own numbers.",
    ],
  },
  {
    id: "what-if",
    group: "Plan and change",
    title: "Try a season before you keep it",
    also: "what if scenario compare",
    view: "a/what-if",
    steps: [
      "On **Season**, **What if…** is under **More**.",
      "Change races, free time, absences or the approach; both seasons stand side by side with the weeks that differ.",
      "**Apply** keeps it; leaving the view discards it.",
    ],
  },
  {
    id: "log",
    group: "Lift and log",
    title: "Log at the rack",
    also: "phone floor sets pain rest plates offline",
    view: "a/session",
    steps: [
      "On **Session**, press **Log session**. The phone shows one exercise: load, plates for each side, what to keep in reserve.",
      "One tap logs a set as prescribed; plus and minus change repetitions, load and reserve.",
      "Give pain from 0 to 10 where there is any. Above 5 the exercise stops here, and a physiotherapist is the next step.",
      "**Finish session** asks how hard it was. Stopping early counts what was done.",
    ],
    note: "Without a connection everything is kept on the phone and sent when there is one.",
  },
  {
    id: "load",
    group: "Lift and log",
    title: "Heavier or not",
    also: "overrule load progress 1RM next time lift",
    view: "a/lifts",
    steps: [
      "Open **Lifts** and choose the lift: every time it was done, and what each said about the next.",
      "**Next time** shows what comes and why.",
      "**Overrule** sets your own load, repetitions or an easier week; it holds until the lift is logged again.",
    ],
    note: "An estimated 1RM is an estimate; how sure it is stands beside it.",
  },
  {
    id: "screen",
    group: "Lift and log",
    title: "Test how somebody moves",
    also: "screening tests sides findings gates due",
    view: "a/screening",
    steps: [
      "Open **Screening** and press **Start the screening**. Each test says how it is done and what to look at.",
      "Give both sides; a draft waits where you leave it.",
      "Read **What it changes** before it is in the plan: what opens, what closes, what is added.",
    ],
    note: "A screen finds nothing that a clinician would call a finding. It chooses exercises.",
  },
  {
    id: "why",
    group: "Look back",
    title: "Why this number?",
    also: "reason rule source trust evidence trade house",
    view: "rules",
    steps: [
      "Press a number that is underlined with dots when you point at it, or read **Why** beside a session.",
      "Each reason leads to its rule: the number, where it comes from and how far it can be trusted.",
      "In **Rules** a number can be set for the club or for one athlete, inside its bounds. What must hold cannot be loosened.",
    ],
  },
  {
    id: "review",
    group: "Look back",
    title: "Review four weeks",
    also: "block review planned done report send mail print",
    view: "a/review",
    steps: [
      "Open **Review**: planned against done, lift by lift, in words and a picture.",
      "Change the sentences; your own are kept.",
      "**Copy** the text or **Send by mail**; **Block sheet** is the page to print.",
    ],
  },
  {
    id: "season",
    group: "Look back",
    title: "Read a season",
    also: "section block line phases print csv calendar feed",
    view: "a/season",
    steps: [
      "Above the ground stands the endurance of each week, below it the strength work; the colour under both is the phase.",
      "Walk the weeks with the arrow keys; the panel beside the drawing has the numbers of the chosen one, and **Open week** leads into it.",
      "**Block** shows the lines: what each lead lift does in each week of the block.",
      "Under **More** stand the season sheet to print, and the season as a table or a calendar.",
    ],
  },
  {
    id: "backup",
    group: "The club",
    title: "Back up and bring back",
    also: "restore safety copy erase data",
    view: "club-data",
    steps: [
      "Open **Club data**: a backup is taken by itself each day and read again to see that it is whole.",
      "**Take a backup now** before anything large.",
      "**Restore…** first shows what would differ, athlete by athlete; what was here becomes a backup itself.",
    ],
    note: "An erased athlete stays erased: a backup that is brought back leaves them out.",
  },
];

/** In their order. */
export const GUIDE_GROUPS = [...new Set(GUIDE.map((p) => p.group))];

/** @param athlete whose view, where the page is about one; null where there is none yet */
export const guideAddress = (p: GuidePage, athlete: string | null): string | null =>
  !p.view.startsWith("a/") ? `/${p.view}` : athlete === null ? null : `/a/${athlete}/${p.view.slice(2)}`;

/** The parts of a step: plain text and what is written on the screen, in turn. */
export const partsOf = (text: string): string[] => text.split("**");
