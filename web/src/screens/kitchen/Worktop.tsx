import type { ReactNode } from "react";
import type { Kitchen } from "../../api/client";
import { decimal, typedNumber } from "../../job/manner";
import { Sheet } from "../../ui/bits";
import { noNumber, Value } from "./Value";
import type { Change, Put } from "./change";

// an ordinary microwave's output, until its own is said
const MICROWAVE_W = 800;

const line = { fill: "var(--sheet)", stroke: "currentColor", strokeWidth: 2.5, strokeLinejoin: "round" as const };
/** Each as it stands on a worktop, 80 by 64. */
const PICTURE: Record<string, ReactNode> = {
  rice_cooker: (
    <>
      <path d="M12 26h56l-5 32H17z" {...line} />
      <path d="M14 26q26-18 52 0" {...line} />
      <circle cx="40" cy="16" r="3" fill="currentColor" />
      <path d="M34 46h12" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
    </>
  ),
  pressure_cooker: (
    <>
      <rect x="14" y="24" width="52" height="34" rx="5" {...line} />
      <path d="M12 24h56v-6H12z" {...line} />
      <path d="M68 21h10M40 18v-8M35 9h10" stroke="currentColor" strokeWidth="4" strokeLinecap="round" />
    </>
  ),
  electric_pressure: (
    <>
      <rect x="16" y="18" width="48" height="42" rx="8" {...line} />
      <path d="M20 18q20-12 40 0" {...line} />
      <rect x="29" y="34" width="22" height="12" rx="2" fill="currentColor" />
      <path d="M56 11v-5" stroke="currentColor" strokeWidth="4" strokeLinecap="round" />
    </>
  ),
  slow_cooker: (
    <>
      <path d="M8 30h64q0 28-18 28H26Q8 58 8 30z" {...line} />
      <path d="M14 30q26-22 52 0z" {...line} />
      <circle cx="40" cy="16" r="3.5" fill="currentColor" />
      <circle cx="40" cy="48" r="4" fill="currentColor" />
    </>
  ),
  microwave: (
    <>
      <rect x="4" y="12" width="72" height="46" rx="5" {...line} />
      <rect x="11" y="19" width="42" height="32" rx="3" fill="none" stroke="currentColor" strokeWidth="2" />
      <path d="M62 22h6M62 30h6M62 38h6" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
    </>
  ),
  jar: (
    <>
      <path d="M26 8h28l-4 32H30z" {...line} />
      <path d="M24 40h32l4 18H20z" {...line} />
      <path d="M36 52h8" stroke="currentColor" strokeWidth="3" strokeLinecap="round" />
    </>
  ),
};

/** What stands on the worktop: touch what you have. Its number stands under it, to be touched too. */
export function Worktop({ kitchen: k, put }: { kitchen: Kitchen; put: Put }) {
  const number = (key: "whistle_min" | "microwave_w" | "jar_ml", label: string, unit: string, said: string, help: string) => (
    <Value
      label={label}
      unit={unit}
      value={decimal(k[key] ?? 0)}
      help={help}
      save={async (text) => {
        const n = typedNumber(text);
        return Number.isFinite(n) ? put({ [key]: n } as Change) : noNumber(text, key);
      }}
      trigger={
        <button type="button" className="min-h-11 rounded-key px-2 text-center text-small font-semibold leading-tight text-water hover:underline">
          {said}
        </button>
      }
    />
  );
  return (
    <Sheet className="p-5" aria-label="Worktop">
      <h2 className="mb-2 text-lead">Touch what you have</h2>
      <ul className="m-0 grid list-none grid-cols-[repeat(auto-fill,minmax(124px,1fr))] gap-2 p-0">
        <Thing picture="rice_cooker" word="Rice cooker" has={k.rice_cooker} turn={(has) => put({ rice_cooker: has })} />
        <Thing picture="pressure_cooker" word="Pressure cooker" has={k.pressure_cooker} turn={(has) => put({ pressure_cooker: has })}>
          {number("whistle_min", "A whistle stands for", "min", `a whistle: ${decimal(k.whistle_min)} min`, "Minutes at pressure that one whistle is worth; the notebook learns it too.")}
        </Thing>
        <Thing picture="electric_pressure" word="Electric pressure cooker" has={k.electric_pressure} turn={(has) => put({ electric_pressure: has })} />
        <Thing picture="slow_cooker" word="Slow cooker" has={k.slow_cooker ?? false} turn={(has) => put({ slow_cooker: has })} />
        <Thing picture="microwave" word="Microwave" has={k.microwave_w != null} turn={(has) => put({ microwave_w: has ? MICROWAVE_W : null })}>
          {number("microwave_w", "The microwave gives", "W", `gives ${k.microwave_w ?? 0} W`, "Its output, as it stands on its back or in its manual.")}
        </Thing>
        <li className="grid content-start justify-items-center">
          <span className="grid w-full justify-items-center rounded-key px-1 py-2 text-center text-small leading-tight">
            <Drawn of="jar" />
            Grinder
          </span>
          {number("jar_ml", "The grinder’s jar holds", "ml", `its jar: ${decimal(k.jar_ml)} ml`, "A third of it is filled for one batch of meal.")}
        </li>
      </ul>
    </Sheet>
  );
}

function Thing({ picture, word, has, turn, children }: { picture: string; word: string; has: boolean; turn: (has: boolean) => Promise<unknown>; children?: ReactNode }) {
  return (
    <li className="grid content-start justify-items-center">
      <button type="button" aria-pressed={has} onClick={() => void turn(!has)} className={`grid w-full justify-items-center rounded-key border px-1 py-2 text-center text-small leading-tight ${has ? "border-ink font-bold text-ink outline outline-1 outline-ink" : "border-dashed border-line text-soft hover:border-water hover:text-ink"}`}>
        <Drawn of={picture} />
        {word}
      </button>
      {has && children}
    </li>
  );
}

const Drawn = ({ of }: { of: string }) => (
  <svg viewBox="0 0 80 64" width="80" height="64" aria-hidden="true" className="mb-1">
    {PICTURE[of]}
  </svg>
);
