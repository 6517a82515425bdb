/** What is changed for many: the fields of each kind. */
import type { ManyChoices, ManyKind } from "../../api/many";
import { AWAY_KINDS, LABEL_WORDS, LABELS, type Label, PRIORITIES, SESSION_SPORTS } from "../../core/athlete";
import { WEEKDAY_NAMES } from "../../core/dates";
import { placeName, SPORT_NAMES } from "../format";
import { DateField } from "../ui/DateField";
import { Field, Tick } from "../ui/form";
import { TimeField } from "../ui/TimeField";
import type { Draft } from "./drafts";

interface Props {
  kind: ManyKind;
  draft: Draft;
  onChange: (part: Partial<Draft>) => void;
  choices: ManyChoices;
  /** Places of those who are chosen, the most common first. */
  places: readonly string[];
}

const AWAY_WORDS = { illness: "Ill", travel: "Travel", holiday: "Holiday", heat: "Heat", height: "Height" } as const;
const PRIORITY_WORDS = { A: "A: the season is built for it", B: "B: a small taper", C: "C: trained through" } as const;

export function WhatForm(props: Props) {
  switch (props.kind) {
    case "away":
      return <AwayFields {...props} />;
    case "closed":
      return <ClosedFields {...props} />;
    case "race":
      return <RaceFields {...props} />;
    case "window":
      return <WindowFields {...props} />;
    case "note":
      return <NoteFields {...props} />;
    case "template":
      return <TemplateFields {...props} />;
    case "approach":
      return (
        <Choice
          id="many-approach"
          label="Approach"
          value={props.draft.approach}
          options={props.choices.approaches.map((a) => [a.id, a.name])}
          onChange={(approach) => props.onChange({ approach })}
        />
      );
    case "usual-week":
      return (
        <Choice
          id="many-from"
          label="The usual week of"
          value={props.draft.from}
          options={props.choices.athletes.filter((a) => a.usualWeek).map((a) => [a.id, a.name])}
          onChange={(from) => props.onChange({ from })}
        />
      );
  }
}

interface ChoiceProps {
  id: string;
  label: string;
  value: string;
  options: readonly (readonly [string, string])[];
  /** What stands for nothing chosen; null where something has to be. */
  none?: string;
  onChange: (value: string) => void;
}

function Choice({ id, label, value, options, none = "choose", onChange }: ChoiceProps) {
  return (
    <Field id={id} label={label}>
      <select id={id} className="input" value={value} onChange={(e) => onChange(e.target.value)}>
        <option value="">{none}</option>
        {options.map(([key, words]) => (
          <option key={key} value={key}>
            {words}
          </option>
        ))}
      </select>
    </Field>
  );
}

function Days({ draft, onChange }: Pick<Props, "draft" | "onChange">) {
  return (
    <>
      <Field id="many-start" label="From">
        <DateField
          id="many-start"
          value={draft.start}
          onChange={(d) => d && onChange({ start: d, ...(draft.end < d ? { end: d } : {}) })}
        />
      </Field>
      <Field id="many-end" label="Until" hint="included">
        <DateField id="many-end" value={draft.end} min={draft.start} onChange={(d) => d && onChange({ end: d })} />
      </Field>
    </>
  );
}

const GRID = "grid grid-cols-2 gap-3";

function AwayFields({ draft, onChange }: Props) {
  return (
    <div className={GRID}>
      <div className="col-span-2">
        <Field id="many-away" label="Why">
          <select
            id="many-away"
            className="input"
            value={draft.away}
            onChange={(e) => onChange({ away: e.target.value as Draft["away"] })}
          >
            {AWAY_KINDS.map((k) => (
              <option key={k} value={k}>
                {AWAY_WORDS[k]}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <Days draft={draft} onChange={onChange} />
      <div className="col-span-2">
        <Tick checked={draft.leaveOut} onChange={(leaveOut) => onChange({ leaveOut })}>
          Leave the planned endurance of those days out
        </Tick>
      </div>
    </div>
  );
}

const placeOptions = (places: readonly string[]) => places.map((p) => [p, placeName(p)] as const);

function ClosedFields({ draft, onChange, places }: Props) {
  return (
    <div className={GRID}>
      <Choice
        id="many-place"
        label="Place"
        value={draft.place}
        options={placeOptions(places)}
        onChange={(place) => onChange({ place })}
      />
      <Choice
        id="many-instead"
        label="Instead of it"
        value={draft.instead}
        none="nothing"
        options={placeOptions(places.filter((p) => p !== draft.place))}
        onChange={(instead) => onChange({ instead })}
      />
      <Days draft={draft} onChange={onChange} />
    </div>
  );
}

interface TextProps {
  id: string;
  label: string;
  hint?: string;
  value: string;
  number?: boolean;
  onChange: (value: string) => void;
}

function TextField({ id, label, hint, value, number = false, onChange }: TextProps) {
  return (
    <Field id={id} label={label} {...(hint ? { hint } : {})}>
      <input
        id={id}
        className="input"
        autoComplete="off"
        inputMode={number ? "decimal" : undefined}
        value={value}
        onChange={(e) => onChange(e.target.value)}
      />
    </Field>
  );
}

function RaceFields({ draft, onChange }: Props) {
  return (
    <div className={GRID}>
      <div className="col-span-2">
        <TextField id="many-name" label="Name" value={draft.name} onChange={(name) => onChange({ name })} />
      </div>
      <Field id="many-date" label="Date">
        <DateField id="many-date" value={draft.date} onChange={(date) => onChange({ date })} />
      </Field>
      <Field id="many-sport" label="Sport">
        <select
          id="many-sport"
          className="input"
          value={draft.sport}
          onChange={(e) => onChange({ sport: e.target.value as Draft["sport"] })}
        >
          {SESSION_SPORTS.map((s) => (
            <option key={s} value={s}>
              {SPORT_NAMES[s]}
            </option>
          ))}
        </select>
      </Field>
      <div className="col-span-2">
        <Field id="many-priority" label="Importance">
          <select
            id="many-priority"
            className="input"
            value={draft.priority}
            onChange={(e) => onChange({ priority: e.target.value as Draft["priority"] })}
          >
            {PRIORITIES.map((p) => (
              <option key={p} value={p}>
                {PRIORITY_WORDS[p]}
              </option>
            ))}
          </select>
        </Field>
      </div>
      <TextField
        id="many-km"
        label="Distance"
        hint="km"
        number
        value={draft.distanceKm}
        onChange={(distanceKm) => onChange({ distanceKm })}
      />
      <TextField
        id="many-expected"
        label="Expected duration"
        hint="min or 3:45"
        number
        value={draft.expectedMinutes}
        onChange={(expectedMinutes) => onChange({ expectedMinutes })}
      />
    </div>
  );
}

function WindowFields({ draft, onChange, places }: Props) {
  return (
    <div className={GRID}>
      <Field id="many-day" label="Weekday">
        <select
          id="many-day"
          className="input"
          value={draft.day}
          onChange={(e) => onChange({ day: Number(e.target.value) })}
        >
          {WEEKDAY_NAMES.map((name, i) => (
            <option key={name} value={i + 1}>
              {name}
            </option>
          ))}
        </select>
      </Field>
      <Choice
        id="many-place"
        label="Place"
        value={draft.place}
        options={placeOptions(places)}
        onChange={(place) => onChange({ place })}
      />
      <Field id="many-time" label="Start">
        <TimeField id="many-time" value={draft.time} onChange={(time) => onChange({ time })} />
      </Field>
      <TextField
        id="many-minutes"
        label="Minutes"
        number
        value={draft.minutes}
        onChange={(minutes) => onChange({ minutes })}
      />
    </div>
  );
}

const WeekOf = ({ draft, onChange }: Pick<Props, "draft" | "onChange">) => (
  <Field id="many-week" label="Week of">
    <DateField id="many-week" value={draft.week} onChange={(week) => week && onChange({ week })} />
  </Field>
);

function NoteFields({ draft, onChange }: Props) {
  return (
    <div className="space-y-3">
      <WeekOf draft={draft} onChange={onChange} />
      <Field id="many-text" label="Note">
        <textarea
          id="many-text"
          className="input min-h-20 p-2"
          maxLength={2000}
          value={draft.text}
          onChange={(e) => onChange({ text: e.target.value })}
        />
      </Field>
    </div>
  );
}

function TemplateFields({ draft, onChange, choices }: Props) {
  if (choices.templates.length === 0)
    return (
      <p className="text-ink2">
        No session is kept as a template yet. Whatever is changed in a session can be kept as one, where it is edited.
      </p>
    );
  return (
    <div className={GRID}>
      <div className="col-span-2">
        <Choice
          id="many-template"
          label="Template"
          value={draft.template}
          options={choices.templates.map((t) => [t.id, t.name])}
          onChange={(template) => onChange({ template })}
        />
      </div>
      <WeekOf draft={draft} onChange={onChange} />
      <Field id="many-label" label="Session">
        <select
          id="many-label"
          className="input"
          value={draft.label}
          onChange={(e) => onChange({ label: e.target.value as Label })}
        >
          {LABELS.map((l) => (
            <option key={l} value={l}>
              {LABEL_WORDS[l]}
            </option>
          ))}
        </select>
      </Field>
    </div>
  );
}
