import { Slider } from "radix-ui";
import { legend, type ControlProps } from "./control";

const TEXTURES = ["separate", "fluffy", "moist", "soft", "porridge", "thin"];
const MEAL_TEXTURES = ["crumbly", "tender", "moist", "soft-set", "spoonable", "pouring"];

export function TextureControl({ choice, set, grains, shift }: ControlProps) {
  const pot = shift?.pots[0];
  const g = grains.find((x) => x.slug === choice.to);
  const words = g?.form === "meal" ? MEAL_TEXTURES : TEXTURES;
  const reach = (g?.textures ?? []).map((t) => TEXTURES.indexOf(t));
  const low = Math.min(...reach, 5);
  const high = Math.max(...reach, 0);
  const at = typeof choice.texture === "number" ? choice.texture : pot?.grain === choice.to ? pot.texture_at : 1;
  const value = Math.min(Math.max(at, low), high);
  return (
    <div>
      <span className={legend} id="texture-label">
        How the grain should be
      </span>
      <Slider.Root
        className="relative flex h-8 w-full touch-none items-center"
        min={0}
        max={5}
        step={0.25}
        value={[value]}
        onValueChange={([v]) => set({ ...choice, texture: Math.min(Math.max(v ?? 1, low), high) })}
      >
        <Slider.Track className="relative h-[6px] w-full grow rounded-full bg-line">
          <span
            aria-hidden
            className="absolute inset-y-0 rounded-full bg-water-pale"
            style={{ left: `${low * 20}%`, right: `${100 - high * 20}%` }}
          />
        </Slider.Track>
        <Slider.Thumb
          aria-labelledby="texture-label"
          aria-valuetext={words[Math.round(value)]}
          className="reach block h-6 w-6 rounded-full border-[3px] border-sheet bg-ink outline outline-2 outline-ink"
        />
      </Slider.Root>
      <div className="flex justify-between text-fine tracking-[-0.01em]">
        {words.map((w, i) => (
          <button
            key={w}
            type="button"
            disabled={i < low || i > high}
            onClick={() => set({ ...choice, texture: i })}
            className={`reach min-h-7 px-0.5 pointer-coarse:min-h-11 ${Math.round(value) === i ? "font-bold text-ink" : "text-soft"} disabled:line-through disabled:opacity-60`}
          >
            {w}
          </button>
        ))}
      </div>
    </div>
  );
}
