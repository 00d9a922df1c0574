import { useState } from "react";
import { type CookStep } from "../../api/client";
import { Button } from "../../ui/bits";
import { left } from "./fold";
import { lower, whose } from "./words";

// a timer ended so much before its time is asked about
const EARLY_MIN = 0.5;

/** Nothing to do now: until when, and what could be done before. */
export function Waiting({
  next,
  minute,
  clockAt,
  onEarly,
  locked,
}: {
  locked: boolean;
  onEarly: (id: string) => void;
  next: { step: CookStep; at: number }[];
  minute: number;
  clockAt: (m: number) => string;
}) {
  const first = next[0];
  if (!first) return <p className="text-head">Nothing is left to do.</p>;
  const ahead = next.find((n) => n.step.status === "waiting" && n.step.ready !== null && n.step.style !== "remind");
  return (
    <div>
      <p className="text-body font-semibold text-soft">Nothing to do until {clockAt(first.at)}</p>
      <p className="poster mt-3 text-stove" role="timer" aria-label={`${Math.ceil(first.at - minute)} minutes left`}>
        {left(first.at - minute)}
      </p>
      <h2 className="mt-3 text-title min-[62.5rem]:text-show">
        {first.step.status === "running" && first.step.look && !locked ? "then look: " : "then: "}
        {lower(first.step.status === "running" && locked && first.step.key ? first.step.key : first.step.title)}
      </h2>
      <p className="mt-1 text-body text-soft">{whose(first.step)}</p>
      {ahead && (
        <Button className="mt-4 min-h-16 w-full text-lead" onClick={() => onEarly(ahead.step.id)}>
          {ahead === first ? "Do it now" : `Now already: ${lower(ahead.step.title)}`}
        </Button>
      )}
    </div>
  );
}

/** One that runs. */
export function Timer({
  step,
  minute,
  many,
  onDone,
}: {
  step: CookStep;
  minute: number;
  many: boolean;
  onDone: () => void;
}) {
  const rest = (step.due ?? 0) - minute;
  // a touch too early ends what nobody can begin again: asked once
  const [sure, setSure] = useState(false);
  const early = rest > EARLY_MIN;
  return (
    <div className="dotted grid grid-cols-[minmax(92px,auto)_1fr_auto] items-center gap-3 py-1.5 last:border-0">
      <span
        className={`figures font-show text-show font-bold leading-none ${rest <= 0 ? "text-warn" : ""}`}
        role="timer"
      >
        {rest > 0 ? left(rest) : "look"}
      </span>
      <span className="min-w-0 text-body leading-tight">
        {step.title}
        {many && <span className="block truncate text-small text-soft">{whose(step)}</span>}
      </span>
      {early && sure ? (
        <span className="col-span-3 flex items-center gap-2">
          <span className="mr-auto text-body font-semibold">Done already, {left(rest)} before its time?</span>
          <Button className="min-h-14" onClick={() => setSure(false)}>
            Let it run
          </Button>
          <Button className="min-h-14 text-warn" onClick={onDone}>
            Yes, done
          </Button>
        </span>
      ) : (
        <button
          type="button"
          onClick={early ? () => setSure(true) : onDone}
          aria-label={`Done: ${step.title}, ${step.dish}`}
          className="min-h-14 rounded-key px-3 text-body font-semibold text-water"
        >
          Done
        </button>
      )}
    </div>
  );
}
