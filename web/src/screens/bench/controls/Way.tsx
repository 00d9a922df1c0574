import { Picture } from "../../../job/Picture";
import { WAY_NAMES } from "../../../job/ways";
import { chip, NumberField, type ControlProps } from "./control";

/** How it is cooked, each way as one sees it on the worktop, and what that way wants to be told. */
export function WayChoice({ choice, set, grains, shift }: Omit<ControlProps, "fromName">) {
  const g = grains.find((x) => x.slug === choice.to);
  const pot = shift?.pots[0];
  const now = pot?.method ?? "covered";
  const under = now === "pressure" || now === "electric-pressure";
  return (
    <>
      <p className="mb-1 text-small font-semibold">How is it cooked?</p>
      <div
        role="group"
        aria-label="How it is cooked"
        className="mb-4 grid grid-cols-[repeat(auto-fill,minmax(6.25rem,1fr))] gap-1.5"
      >
        {(g?.methods ?? [now]).map((way) => (
          <button
            key={way}
            type="button"
            aria-pressed={now === way}
            onClick={() => set({ ...choice, method: way, lid: null, whistles: null, release: "natural" })}
            className={`${chip(now === way)} grid min-h-[5.5rem] justify-items-center px-1 py-1.5 text-center text-small leading-tight`}
          >
            <Picture of={way} className="h-11 w-14" />
            {WAY_NAMES[way] ?? way}
          </button>
        ))}
      </div>
      {now === "soup" && (
        <NumberField
          label="Broth to stay, ml"
          value={choice.broth_ml ?? pot?.ledger.find((r) => r.term === "broth")?.ml ?? null}
          onChange={(v) => set({ ...choice, broth_ml: v })}
        />
      )}
      {now === "pressure" && (
        <NumberField
          key={`w${choice.to}`}
          label="Whistles"
          value={choice.whistles ?? null}
          onChange={(v) => set({ ...choice, whistles: Math.round(v) })}
        />
      )}
      {under && (
        <button
          type="button"
          role="switch"
          aria-checked={choice.release === "quick"}
          onClick={() => set({ ...choice, release: choice.release === "quick" ? "natural" : "quick" })}
          className={`${chip(choice.release === "quick")} mb-4 mt-3 min-h-12 w-full px-3 text-small`}
        >
          {choice.release === "quick" ? "The pressure is let out at once" : "The pressure falls by itself"}
        </button>
      )}
    </>
  );
}
