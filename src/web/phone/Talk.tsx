/** Messages with an athlete, as their coach reads and writes them. */

import { useState } from "react";
import type { MessageView } from "../../api/phoneViews";
import { newId } from "../data/newId";
import { useWrite } from "../data/phone";
import { day, moment } from "../format";
import { tellFault } from "../ui/tell";

export function Talk({ id, messages }: { id: string; messages: readonly MessageView[] }) {
  const write = useWrite(id);
  const [text, setText] = useState("");
  const send = () =>
    write.mutate(
      { id: newId(), text: text.trim(), about: null },
      { onSuccess: () => setText(""), onError: (fault) => tellFault(`Not sent: ${fault.message}`) },
    );
  return (
    <section aria-label="Messages">
      <h2 className="sec-h">Messages</h2>
      {messages.length === 0 && <p className="mb-2 text-ink2">Nothing was written yet.</p>}
      <ol className="mb-2 space-y-2">
        {messages.map((m) => (
          <li key={m.id} className={`flex ${m.by === "coach" ? "justify-end" : ""}`}>
            <div
              className={`max-w-[85%] rounded-[3px] border px-3 py-1.5 ${m.by === "coach" ? "border-iron-m bg-iron-l" : "border-hair bg-panel"}`}
            >
              <p className="whitespace-pre-wrap">{m.text}</p>
              <p className="text-label leading-4 text-ink2">
                {m.who}, {moment(m.at)}
                {m.about ? `, on session ${m.about.label} of ${day(m.about.date)}` : ""}
              </p>
            </div>
          </li>
        ))}
      </ol>
      <label className="block">
        <span className="sr-only">Message to the athlete</span>
        <textarea
          className="input min-h-20 w-full p-2"
          maxLength={1000}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      <button
        type="button"
        className="btn mt-2 max-[700px]:min-h-11"
        disabled={text.trim() === "" || write.isPending}
        onClick={send}
      >
        Send
      </button>
    </section>
  );
}
