/** A group: its name, its members, and the hour they lift together. */
import { useState } from "react";
import type { ManyChoices } from "../../api/many";
import { type GroupBody, type GroupHour, type GroupView, groupBody } from "../../api/many";
import { WEEKDAY_NAMES } from "../../core/dates";
import { faultsOf } from "../../formats/fault";
import { THEIRS } from "../data/api";
import { useRemoveGroup, useSaveGroup } from "../data/many";
import { useHeld } from "../data/tags";
import { placeName } from "../format";
import { Who } from "../many/Who";
import { Field, FormActions, FormProblem, numberFrom, Tick } from "../ui/form";
import { Sheet } from "../ui/Sheet";
import { TimeField } from "../ui/TimeField";
import { tell, tellUndo } from "../ui/tell";

interface Props {
  /** Null makes a new one. */
  group: GroupView | null;
  athletes: ManyChoices["athletes"];
  onClose: () => void;
}

const USUAL: GroupHour = { day: 2, start: "18:00", minutes: 90, place: "", racks: 2, eyes: 6 };

/** The hour with its numbers as they are typed. */
type Typed = Omit<GroupHour, "minutes" | "racks" | "eyes"> & Record<"minutes" | "racks" | "eyes", string>;
const typedOf = (h: GroupHour): Typed => ({
  ...h,
  minutes: String(h.minutes),
  racks: String(h.racks),
  eyes: String(h.eyes),
});

export default function GroupSheet({ group, athletes, onClose }: Props) {
  useHeld(group && `groups/${group.id}`);
  const [name, setName] = useState(group?.name ?? "");
  const [members, setMembers] = useState<ReadonlySet<string>>(new Set(group?.members ?? []));
  const places = [...new Set(athletes.filter((a) => members.has(a.id)).flatMap((a) => a.places))];
  const [lifts, setLifts] = useState(group ? group.hour !== null : false);
  const [hour, setHour] = useState<Typed>(typedOf(group?.hour ?? USUAL));
  const [problem, setProblem] = useState("");
  const save = useSaveGroup();
  const remove = useRemoveGroup();
  const place = places.includes(hour.place) ? hour.place : (places.find((p) => !p.startsWith("home")) ?? "");
  const submit = () => {
    const body = {
      name: name.trim(),
      members: [...members],
      hour: lifts
        ? {
            ...hour,
            place,
            minutes: numberFrom(hour.minutes),
            racks: numberFrom(hour.racks),
            eyes: numberFrom(hour.eyes),
          }
        : null,
    };
    const parsed = groupBody.safeParse(body);
    if (!parsed.success)
      return setProblem(
        faultsOf(parsed.error, body)
          .map((f) => `${f.path}: ${f.expected}`)
          .join("; "),
      );
    save.mutate(
      { id: group?.id ?? null, body: parsed.data },
      {
        onSuccess: (answer) => {
          tell(
            answer === THEIRS ? "The other version is kept; yours was not stored." : `${parsed.data.name} is saved.`,
          );
          onClose();
        },
        onError: (e) => setProblem(e.message),
      },
    );
  };
  const takeAway = (g: GroupView) => {
    const { id: _, ...body } = g;
    remove.mutate(g.id, {
      onSuccess: () => {
        tellUndo(`${g.name} is removed. Its athletes stay.`, () => save.mutate({ id: null, body: body as GroupBody }));
        onClose();
      },
      onError: (e) => setProblem(e.message),
    });
  };
  return (
    <Sheet open onClose={onClose} title={group ? group.name : "New group"} width={520}>
      <form
        className="space-y-3"
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          submit();
        }}
      >
        <FormProblem text={problem} />
        <Field id="group-name" label="Name">
          <input
            id="group-name"
            className="input"
            autoComplete="off"
            maxLength={80}
            value={name}
            onChange={(e) => setName(e.target.value)}
          />
        </Field>
        <Who athletes={athletes} groups={[]} chosen={members} onChange={setMembers} height={200} />
        <Tick checked={lifts} onChange={setLifts}>
          They lift together every week
        </Tick>
        {lifts && <HourFields hour={hour} onChange={setHour} place={place} places={places} />}
        <FormActions
          save={group ? "Save group" : "Make group"}
          saving={save.isPending}
          onRemove={group ? () => takeAway(group) : null}
          removing={remove.isPending}
        />
      </form>
    </Sheet>
  );
}

interface HourProps {
  hour: Typed;
  onChange: (hour: Typed) => void;
  place: string;
  places: readonly string[];
}

/** The hour they lift together. */
function HourFields({ hour, onChange, place, places }: HourProps) {
  const number = (key: "minutes" | "racks" | "eyes", label: string, hint: string) => (
    <Field id={`group-${key}`} label={label} hint={hint}>
      <input
        id={`group-${key}`}
        className="input"
        inputMode="numeric"
        value={hour[key]}
        onChange={(e) => onChange({ ...hour, [key]: e.target.value })}
      />
    </Field>
  );
  return (
    <div className="grid grid-cols-3 gap-3">
      <Field id="group-day" label="Weekday">
        <select
          id="group-day"
          className="input"
          value={hour.day}
          onChange={(e) => onChange({ ...hour, day: Number(e.target.value) })}
        >
          {WEEKDAY_NAMES.map((day, i) => (
            <option key={day} value={i + 1}>
              {day}
            </option>
          ))}
        </select>
      </Field>
      <Field id="group-start" label="Start">
        <TimeField id="group-start" value={hour.start} onChange={(start) => onChange({ ...hour, start })} />
      </Field>
      <Field id="group-place" label="Place">
        <select
          id="group-place"
          className="input"
          value={place}
          onChange={(e) => onChange({ ...hour, place: e.target.value })}
        >
          {place === "" && <option value="">choose members first</option>}
          {places.map((p) => (
            <option key={p} value={p}>
              {placeName(p)}
            </option>
          ))}
        </select>
      </Field>
      {number("minutes", "Room for", "min")}
      {number("racks", "Racks", "theirs")}
      {number("eyes", "Watched", "at once")}
    </div>
  );
}
