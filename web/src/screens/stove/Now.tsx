import { type CookPot, type CookStep } from "../../api/client";
import { pourSaid } from "../../job/words";
import { Button } from "../../ui/bits";
import { left } from "./fold";
import { whose, type Touching } from "./words";

const BEGIN: Record<string, string> = {
  boil: "Heat is on",
  soak: "It is soaking",
  roast: "In the hot pot",
  dry: "It is drying",
  cool: "Spread out",
  chill: "In the fridge",
  sprout: "Done, leave it",
};
const END: Record<string, string> = {
  boil: "It boils",
  cook: "It is done: off the heat",
  rest: "Rested",
  soak: "Soaked",
  release: "Pressure is down",
  roast: "It smells nutty",
  cool: "It is cool",
  chill: "It is cold",
  kettle: "Kettle is on",
  add: "It is in",
  stir: "Stirred",
  early: "It has had its time",
  finish: "To the table",
  keep: "It is in the fridge",
};

/** The one thing to do. Large enough for wet hands at arm's length. */
export function Now({
  step,
  pot,
  minute,
  out,
  touch,
  open,
  wide,
}: {
  step: CookStep;
  pot?: CookPot;
  minute: number;
  out: string[];
  touch: Touching;
  open: (s: "pour") => void;
  wide: boolean;
}) {
  const running = step.status === "running";
  const over = running ? minute - (step.due ?? minute) : 0;
  const pours = step.kind === "boil" && !running && step.pour_ml > 0;
  // a title that was cut short stands whole in the recipe's own words
  const cut = step.title.endsWith(" …");
  const look = step.kind === "cook" || (running && step.look !== "");
  const said =
    pot && pours ? pourSaid(step.pour_ml, pot.pour_said) : { number: String(step.pour_ml), unit: "ml", also: null };
  const kept = step.kind === "kettle" ? pourSaid(step.reserve_ml, step.reserve_said) : null;
  const unfound = step.count_out.filter((c) => !out.includes(c));
  const main =
    running || step.style === "do" || step.style === "remind"
      ? step.key || (END[step.kind] ?? "Done")
      : (BEGIN[step.kind] ?? "Begun");
  return (
    <div>
      <p className="text-body font-semibold text-soft">{whose(step)}</p>
      {pours && (
        <p className="mt-2 flex items-baseline gap-x-3">
          <span className="poster text-stove">{said.number}</span>
          <span className="min-w-0 text-head font-semibold leading-tight">
            {said.unit}
            {said.also && <span className="block">{said.also}</span>}
          </span>
        </p>
      )}
      {kept && (
        <p className="mt-2 flex items-baseline gap-x-3">
          <span className="poster text-stove">{kept.number}</span>
          <span className="text-head font-semibold">{kept.unit}, kept boiling</span>
        </p>
      )}
      <h2
        className={`mt-2 ${cut ? "text-title leading-[1.18] min-[62.5rem]:text-show" : "text-show leading-[1.08] min-[62.5rem]:text-number"}`}
      >
        {cut ? step.words : step.title}
      </h2>
      {step.goes_in.length > 0 && !running && (
        <ul aria-label="What goes in now" className="m-0 mt-3 list-none p-0">
          {step.goes_in.map((line) => (
            <li key={line} className="dotted py-1 text-head font-semibold leading-snug last:border-0">
              {line}
            </li>
          ))}
        </ul>
      )}
      {look && step.look && (
        <p className="mt-3 text-head leading-snug">
          <strong className="changed">Look</strong> {step.look}
        </p>
      )}
      {running && over > 0.5 && <p className="mt-1 text-body text-soft">{left(over)} over its time</p>}
      {step.words && !cut && <p className="mt-3 text-head leading-snug">{step.words}</p>}
      {["roast", "act"].includes(step.kind) && step.style === "begin" && step.minutes > 0 && !running && (
        <p className="mt-2 text-lead text-soft">about {step.minutes} minutes</p>
      )}
      {step.count_out.length > 0 && (
        <div className="mt-4" role="group" aria-label="Count them out">
          <p className="mb-1 text-body font-semibold">Count them out:</p>
          {step.count_out.map((c) => (
            <label
              key={c}
              className="mb-1.5 flex min-h-14 items-center gap-3 rounded-key border border-line px-3 text-lead"
            >
              <input
                type="checkbox"
                checked={out.includes(c)}
                onChange={(e) => touch("out", { thing: c, found: e.target.checked }, c)}
                className="h-7 w-7 accent-[var(--water)]"
              />
              <span className={out.includes(c) ? "line-through decoration-2" : ""}>{c}</span>
            </label>
          ))}
        </div>
      )}
      {step.cautions.map((c) => (
        <p key={c} className="mt-3 border-l-4 border-warn bg-warn-pale px-3 py-2 text-body leading-snug">
          {c}
        </p>
      ))}
      <Button
        kind="main"
        data-go
        className="mt-5 min-h-[76px] w-full text-head"
        onClick={() => touch(running || step.style !== "begin" ? "done" : "begun", { step: step.id }, step.title)}
      >
        {unfound.length > 0 && step.kind === "finish" ? `${unfound.length} not found yet: serve all the same` : main}
      </Button>
      {running && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          <Button
            className="min-h-16 text-lead"
            onClick={() => touch("not_yet", { step: step.id, minutes: 3 }, "3 minutes more")}
          >
            Not yet: 3 min
          </Button>
          {step.kind === "cook" && pot && !pot.locked ? (
            <Button className="min-h-16 text-lead" onClick={() => open("pour")}>
              Poured more
            </Button>
          ) : (
            <Button
              className="min-h-16 text-lead"
              onClick={() => touch("not_yet", { step: step.id, minutes: wide ? 10 : 10 }, "10 minutes more")}
            >
              10 min
            </Button>
          )}
        </div>
      )}
    </div>
  );
}
