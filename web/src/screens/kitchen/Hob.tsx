import { useUsual } from "../../api/queries";
import { typedNumber } from "../../job/typed";
import { Button } from "../../ui/bits";
import { noNumber, Value } from "./Value";
import type { Put } from "./change";

const MOST = 8;
/** A burner to scale: its area goes with its strength. */
export const width = (watts: number): number => Math.round(Math.min(116, Math.max(52, 2.42 * Math.sqrt(watts))));

/** The hob from above. Touch a burner to say how strong it is, or that it is gone. */
export function Hob({ burners, put }: { burners: number[]; put: Put }) {
  const usual = useUsual();
  const set = (i: number, watts: number) => put({ burners: burners.map((w, n) => (n === i ? watts : w)) });
  return (
    <section aria-label="Burners">
      <h2 className="mb-2 text-lead">Hob</h2>
      <ul className="m-0 grid list-none grid-cols-[repeat(auto-fill,minmax(116px,1fr))] place-items-center gap-2 rounded-sheet border-2 border-ink bg-quiet p-3">
        {burners.map((watts, i) => (
          <li key={i} className="grid h-[122px] place-items-center">
            <Value
              label={`Burner ${i + 1}, watts`}
              unit="W"
              value={String(Math.round(watts))}
              help="What reaches the pot: about 1,200 W on an ordinary burner, 1,800 on a strong one."
              save={async (text) => {
                const w = typedNumber(text);
                return Number.isFinite(w) ? set(i, w) : noNumber(text, "burners");
              }}
              trigger={
                <button
                  type="button"
                  style={{ width: width(watts), height: width(watts) }}
                  className="figures grid place-items-center rounded-full border-[3px] border-ink bg-sheet text-body font-bold text-ink shadow-[inset_0_0_0_5px_var(--sheet),inset_0_0_0_6.5px_var(--line)] hover:border-water"
                >
                  <span>
                    <span className="sr-only">Burner {i + 1}, </span>
                    {Math.round(watts)}
                    <span className="block text-center text-fine font-normal text-soft">W</span>
                  </span>
                </button>
              }
            >
              {(close) => (
                <div className="mt-3 flex flex-wrap gap-2">
                  {usual?.burners.map(({ word, watts: w }) => (
                    <Button key={word} onClick={() => void set(i, w).then((wrong) => !wrong && close())}>
                      {word}, {w}
                    </Button>
                  ))}
                  {burners.length > 1 && (
                    <Button
                      kind="warn"
                      onClick={() =>
                        void put({ burners: burners.filter((_, n) => n !== i) }).then((wrong) => !wrong && close())
                      }
                    >
                      There is none here
                    </Button>
                  )}
                </div>
              )}
            </Value>
          </li>
        ))}
        {burners.length < MOST && (
          <li className="grid h-[122px] place-items-center">
            <button
              type="button"
              onClick={() => void put({ burners: [...burners, burners.at(-1) ?? usual?.burner_w ?? 0] })}
              className="grid h-[76px] w-[76px] place-items-center rounded-full border-2 border-dashed border-soft text-small leading-tight text-soft hover:border-water hover:text-water"
            >
              one more
            </button>
          </li>
        )}
      </ul>
    </section>
  );
}

const SHELVES = 6;

/** The oven from the front, with a dish on each place. */
export function Oven({ places, put }: { places: number; put: Put }) {
  const step = (by: number, word: string, sign: string) => (
    <button
      type="button"
      aria-label={word}
      disabled={places + by < 0 || places + by > SHELVES}
      onClick={() => void put({ oven_places: places + by })}
      className="grid h-14 w-14 shrink-0 place-items-center rounded-key border border-line bg-sheet text-head text-ink hover:border-water disabled:opacity-40"
    >
      {sign}
    </button>
  );
  return (
    <section aria-label="Oven" className="mt-4">
      <h2 className="mb-2 text-lead">Oven</h2>
      <div className="flex items-center gap-3">
        {step(-1, "One dish fewer", "−")}
        <svg viewBox="0 0 180 104" className="min-w-0 flex-1 text-ink" aria-hidden="true">
          <rect
            x="2"
            y="2"
            width="176"
            height="100"
            rx="9"
            fill="var(--quiet)"
            stroke="currentColor"
            strokeWidth="3"
            strokeDasharray={places ? undefined : "6 5"}
          />
          <path d="M40 13h100" stroke="currentColor" strokeWidth="4" strokeLinecap="round" />
          <rect x="14" y="24" width="152" height="68" rx="6" fill="var(--sheet)" stroke="var(--line)" strokeWidth="2" />
          {Array.from({ length: places }, (_, i) => {
            const y = 92 - ((i + 0.35) * 66) / Math.max(places, 2);
            return (
              <g key={i}>
                <path d={`M16 ${y}H164`} stroke="var(--soft)" strokeWidth="1.5" />
                <path d={`M52 ${y - 9}h76l-5 8h-66z`} fill="currentColor" />
              </g>
            );
          })}
        </svg>
        {step(1, "One dish more", "+")}
      </div>
      <p aria-live="polite" className="mt-1 text-center text-small text-soft">
        {places === 0 ? "no oven" : `takes ${places === 1 ? "one dish" : `${places} dishes`} at once`}
      </p>
    </section>
  );
}
