import type { ReactNode } from "react";
import { Star } from "lucide-react";
import type { Entry } from "../../api/client";
import { Swatch } from "../../job/Hatch";
import { dayOf, said } from "./outcome";

/** One pot on a line: what was told beside what was poured and taken, to scale, and how it came out. */
export function EntryLine({
  entry: e,
  now,
  chosen,
  open,
  pick,
}: {
  entry: Entry;
  now: Date;
  chosen: boolean;
  open: () => void;
  pick: () => void;
}) {
  return (
    <li className={`dotted flex items-center gap-3 py-1.5 ${chosen ? "bg-quiet" : ""}`}>
      <label className="grid h-11 w-9 shrink-0 cursor-pointer place-items-center">
        <input
          type="checkbox"
          checked={chosen}
          onChange={pick}
          aria-label={`Compare ${e.dish}, ${dayOf(e.on, now)}`}
          className="h-6 w-6 accent-[var(--water)]"
        />
      </label>
      <button
        type="button"
        onClick={open}
        className="grid min-h-14 flex-1 grid-cols-[44px_minmax(0,1fr)] items-center gap-x-3 rounded-key text-left hover:text-water min-[47.5rem]:grid-cols-[44px_minmax(0,1.3fr)_250px_minmax(0,1fr)]"
      >
        <Swatch slug={e.grain} className="h-7 w-10" />
        <span className="min-w-0">
          <span className="block truncate text-body font-semibold">{e.dish}</span>
          <span className="block truncate text-small text-soft">
            {dayOf(e.on, now)}, {e.name}, {e.pot_name}
            {e.by && `, ${e.by} cooked`}
            {e.practice && ", practice"}
            {!e.counts && ", not learnt from"}
          </span>
        </span>
        <Bars entry={e} />
        <span className="col-start-2 min-w-0 text-small leading-tight min-[47.5rem]:col-start-4">
          {said(e)}
          {e.stars !== null && (
            <span className="ml-1.5 inline-flex" aria-label={`${e.stars} of 5 stars`} role="img">
              {Array.from({ length: e.stars }, (_, i) => (
                <Star key={i} size={13} fill="currentColor" aria-hidden />
              ))}
            </span>
          )}
          {e.word && <span className="block truncate text-soft">“{e.word}”</span>}
        </span>
      </button>
    </li>
  );
}

/** Told and poured, told and taken: two pairs of bars on one scale each. */
function Bars({ entry: e }: { entry: Entry }) {
  const pair = (said: ReactNode, told: number, real: number | null, most: number) => (
    <span className="figures block text-small leading-[1.25]">
      {said}
      <svg viewBox="0 0 200 7" className="block h-[7px] w-full" aria-hidden="true" preserveAspectRatio="none">
        <rect width={(told / most) * 200} height="3" rx="1.5" fill="var(--soft)" />
        {real !== null && (
          <rect y="3.4" width={Math.min(200, (real / most) * 200)} height="3.6" rx="1.5" fill="var(--water)" />
        )}
      </svg>
    </span>
  );
  return (
    <span className="col-start-2 grid grid-cols-[3fr_2fr] gap-3 min-[47.5rem]:col-start-3">
      {pair(
        <Both real={e.poured_said} told={e.pour_said} />,
        e.pour_ml,
        e.poured_ml,
        1.15 * Math.max(e.pour_ml, e.poured_ml ?? 0, 1),
      )}
      {pair(
        <Both real={e.taken_min === null ? "" : `${Math.round(e.taken_min)} min`} told={`${e.cook_min} min`} />,
        e.cook_min,
        e.taken_min,
        1.15 * Math.max(e.cook_min, e.taken_min ?? 0, 1),
      )}
    </span>
  );
}

/** "310 ml of 290": the unit once where both have the same; what takes many words is not said twice. */
function Both({ real, told }: { real: string; told: string }) {
  const [number, ...unit] = real.split(" ");
  const tail = ` ${unit.join(" ")}`;
  return (
    <>
      <strong>{number || "–"}</strong> {unit.join(" ")}{" "}
      <span className="text-soft">
        {real === told && unit.length > 1
          ? "as told"
          : `of ${unit.length === 1 && told.endsWith(tail) ? told.slice(0, -tail.length) : told}`}
      </span>
    </>
  );
}
