/** An athlete who signed in: the coach's screens are not theirs; their own application is one press away. */
import { useState } from "react";
import { ask, del } from "../data/api";

interface Props {
  name: string;
}

export default function AthleteHere({ name }: Props) {
  const [fault, setFault] = useState<string | null>(null);
  const go = () =>
    ask("/session/here", { device: "Browser" }).then(
      () => location.assign("/p/"),
      (error: Error) => setFault(error.message),
    );
  return (
    <main className="mx-auto max-w-[430px] space-y-4 p-6 text-lead">
      <h1 className="text-figure font-[650]">Hello {name}</h1>
      <p>
        Your plan has an application of its own: today, the week, logging, lifts, messages. It works on a phone and
        here.
      </p>
      {fault && (
        <p role="alert" className="text-brick-ink">
          {fault}
        </p>
      )}
      <button
        type="button"
        className="h-14 w-full rounded-[3px] bg-iron text-title font-semibold text-on-iron"
        onClick={() => void go()}
      >
        Open my plan
      </button>
      <button
        type="button"
        className="link min-h-11"
        onClick={() => void del("/session").then(() => location.assign("/"))}
      >
        Sign out
      </button>
    </main>
  );
}
