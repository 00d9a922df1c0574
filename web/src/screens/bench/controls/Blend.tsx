import { Pop } from "../../../ui/Pop";
import { chip, type ControlProps } from "./control";

/** Two or more grains in the dish: shares, and how they share the pot. */
export function BlendControl({ choice, set, grains, shift }: ControlProps) {
  const blend = choice.blend ?? [];
  const on = blend.length > 1;
  const source = shift?.from.grain ?? "rice-white-long";
  const start = (parts: { grain: string; share: number }[]) =>
    set({ ...choice, blend: parts, texture: null, soak_min: null, method: null, lid: null, roast: null });
  const total = blend.reduce((sum, p) => sum + p.share, 0) || 1;
  const name = (slug: string) => grains.find((g) => g.slug === slug)?.name ?? slug;
  return (
    <Pop
      label="Blend"
      trigger={
        <button type="button" aria-pressed={on} className={`${chip(on)} px-2.5 text-small leading-tight`}>
          Blend
          <span className="figures block text-fine text-soft">
            {on ? blend.map((p) => Math.round((p.share / total) * 100)).join(":") : "mix ›"}
          </span>
        </button>
      }
    >
      {!on ? (
        <div className="space-y-3 text-small">
          <p className="text-soft">Easing in? Begin with about a third of the new grain.</p>
          <button
            type="button"
            className={`${chip(false)} min-h-12 w-full px-3`}
            onClick={() =>
              start([
                { grain: choice.to, share: 3 },
                { grain: source === choice.to ? "quinoa" : source, share: 7 },
              ])
            }
          >
            <strong>30 : 70</strong>{" "}
            <span className="text-soft">
              {name(choice.to)} with {name(source === choice.to ? "quinoa" : source)}
            </span>
          </button>
          <button
            type="button"
            className={`${chip(false)} min-h-12 w-full px-3`}
            onClick={() =>
              start([
                { grain: choice.to, share: 1 },
                { grain: choice.to === "quinoa" ? "foxtail-millet" : "quinoa", share: 1 },
              ])
            }
          >
            <strong>half and half</strong>{" "}
            <span className="text-soft">with {name(choice.to === "quinoa" ? "foxtail-millet" : "quinoa")}</span>
          </button>
        </div>
      ) : (
        <div className="space-y-3 text-small">
          {shift?.blend && shift.blend.because && (
            <p className="font-semibold">
              {shift.blend.because.charAt(0).toUpperCase() + shift.blend.because.slice(1)}.
            </p>
          )}
          {blend.map((p, i) => (
            <div key={i} className="flex items-center gap-2">
              <select
                aria-label={`Grain ${i + 1} of the blend`}
                value={p.grain}
                onChange={(e) => start(blend.map((x, k) => (k === i ? { ...x, grain: e.target.value } : x)))}
                className="min-h-11 min-w-0 flex-1 rounded-key border border-line bg-sheet px-2"
              >
                {grains.map((g) => (
                  <option key={g.slug} value={g.slug} disabled={blend.some((x, k) => k !== i && x.grain === g.slug)}>
                    {g.name}
                  </option>
                ))}
              </select>
              <button
                type="button"
                aria-label={`Less ${name(p.grain)}`}
                disabled={p.share <= 1}
                onClick={() => start(blend.map((x, k) => (k === i ? { ...x, share: x.share - 1 } : x)))}
                className="grid h-11 w-9 place-items-center rounded-key border border-line text-lead disabled:opacity-40"
              >
                −
              </button>
              <output className="figures w-12 text-center font-bold">{Math.round((p.share / total) * 100)} %</output>
              <button
                type="button"
                aria-label={`More ${name(p.grain)}`}
                disabled={p.share >= 20}
                onClick={() => start(blend.map((x, k) => (k === i ? { ...x, share: x.share + 1 } : x)))}
                className="grid h-11 w-9 place-items-center rounded-key border border-line text-lead disabled:opacity-40"
              >
                +
              </button>
            </div>
          ))}
          <div className="flex justify-between">
            {blend.length < 4 ? (
              <button
                type="button"
                className="min-h-11 font-semibold text-water"
                onClick={() =>
                  start([
                    ...blend,
                    {
                      grain:
                        grains.find((g) => !blend.some((p) => p.grain === g.slug) && g.simmer_min > 0)?.slug ?? "teff",
                      share: 1,
                    },
                  ])
                }
              >
                One more grain
              </button>
            ) : (
              <span />
            )}
            <button type="button" className="min-h-11 font-semibold text-water" onClick={() => start([])}>
              No blend
            </button>
          </div>
        </div>
      )}
    </Pop>
  );
}
