/** How it was the morning after: what decides whether a load that hurt may stay. */
import { useState } from "react";
import type { PhoneScreen } from "../api/phoneViews";
import { Card } from "./Shell";
import { act } from "./sync";

const TO_TEN = Array.from({ length: 11 }, (_, i) => i);

export function NextMorning({ asked }: { asked: PhoneScreen["nextDay"] }) {
  const [first] = asked;
  const [sent, setSent] = useState("");
  if (!first || sent === `${first.date}${first.exercise}`) return null;
  const say = (pain: number) => {
    setSent(`${first.date}${first.exercise}`);
    void act("PUT", "next-day", { date: first.date, exercise: first.exercise, pain }).catch(() => setSent(""));
  };
  return (
    <Card title={`This morning, after the ${first.name.toLowerCase()}`} aside="pain, 0 to 10">
      <div className="grid grid-cols-6 gap-1.5">
        {TO_TEN.map((n) => (
          <button
            key={n}
            type="button"
            className="btn min-h-11 justify-center"
            aria-label={`Pain ${n} of 10`}
            onClick={() => say(n)}
          >
            {n}
          </button>
        ))}
      </div>
    </Card>
  );
}
