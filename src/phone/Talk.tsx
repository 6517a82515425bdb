/** Talk: short messages with the coach, and an area on its way back with what it takes to go on. */

import { useState } from "react";
import { useSearchParams } from "react-router";
import type { MessageView } from "../api/phoneViews";
import { LABELS } from "../core/athlete";
import { newId } from "../web/data/newId";
import { day, moment } from "../web/format";
import { tellFault } from "../web/ui/tell";
import { Card, Head } from "./Shell";
import { act } from "./sync";
import { usePhone } from "./usePhone";
import { WayBack } from "./WayBack";

export default function TalkView() {
  const { screen, messages } = usePhone();
  const [params, setParams] = useSearchParams();
  const label = LABELS.find((l) => l === params.get("label"));
  const date = params.get("date");
  const exercise = params.get("exercise");
  const about = date && label ? { date, label, ...(exercise ? { exercise } : {}) } : null;
  if (!screen) return null;
  const ways = screen.areas.filter((a) => a.way);
  return (
    <main>
      <Head title="Talk" note={`With your coach at ${screen.club}`} />
      <div className="space-y-3 p-4">
        {ways.map((a) => (
          <WayBack key={`${a.area}${a.side}`} area={a} stages={screen.stages} />
        ))}
        {messages.length === 0 && (
          <p className="text-ink2">
            Nothing was written yet. Your coach reads what you write, not at once: in an emergency, call for help.
          </p>
        )}
        <ol className="space-y-2" aria-label="Messages">
          {messages.map((m) => (
            <Message key={m.id} message={m} />
          ))}
        </ol>
        <Write about={about} onSent={() => setParams({}, { replace: true })} />
      </div>
    </main>
  );
}

const aboutText = ({ date, label, exercise }: NonNullable<MessageView["about"]>): string =>
  `${exercise ? `the ${exercise.replaceAll("-", " ")} in ` : ""}session ${label} of ${day(date)}`;

function Message({ message: m }: { message: MessageView }) {
  const own = m.by === "athlete";
  const when = m.at === "" ? "waits for network" : moment(m.at);
  return (
    <li className={`flex ${own ? "justify-end" : ""}`}>
      <div
        className={`max-w-[85%] rounded-[3px] border px-3 py-2 ${own ? "border-iron-m bg-iron-l" : "border-hair bg-panel"}`}
      >
        <p className="whitespace-pre-wrap">{m.text}</p>
        <p className="text-label text-ink2">
          {own ? "" : `${m.who}, `}
          {when}
          {m.about ? ` · on ${aboutText(m.about)}` : ""}
        </p>
      </div>
    </li>
  );
}

interface WriteProps {
  about: MessageView["about"];
  onSent: () => void;
}

function Write({ about, onSent }: WriteProps) {
  const [text, setText] = useState("");
  const send = async () => {
    const id = newId();
    try {
      await act("POST", "messages", { id, text: text.trim(), about }, id);
      // What was typed on while it was kept stays; a message that comes in meanwhile never clears the box.
      setText((now) => (now === text ? "" : now));
      onSent();
    } catch {
      tellFault("Not saved: this phone could not keep it. Your words are still here.");
    }
  };
  return (
    <Card {...(about ? { title: `About ${aboutText(about)}` } : {})}>
      <label className="block">
        <span className="sr-only">Message</span>
        <textarea
          className="input min-h-24 w-full p-2 text-lead"
          maxLength={1000}
          placeholder="Write to your coach"
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button
        type="button"
        disabled={text.trim() === ""}
        onClick={() => void send()}
        className="btn btn-pri mt-2 min-h-12 w-full justify-center disabled:opacity-50"
      >
        Send
      </button>
    </Card>
  );
}
