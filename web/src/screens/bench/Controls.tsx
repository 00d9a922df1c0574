import { ChevronDown } from "lucide-react";
import { Slider, ToggleGroup } from "radix-ui";
import { useState } from "react";
import type { Choice, Grain, Shift } from "../../api/client";
import { Swatch } from "../../job/Hatch";
import { Pop } from "../../ui/Pop";

const NEAR = ["foxtail-millet", "quinoa", "barley-pearl"];
const LIDS: [NonNullable<Choice["lid"]>, string][] = [
  ["sealed", "sealed with a cloth"], ["tight", "tight lid"], ["ordinary", "ordinary lid"], ["ajar", "lid ajar"], ["open", "no lid"],
];
const TEXTURES = ["separate", "fluffy", "moist", "soft", "porridge", "thin"];
const MEAL_TEXTURES = ["crumbly", "tender", "moist", "soft-set", "spoonable", "pouring"];
export const KEEPS: [NonNullable<Choice["keep"]>, string, string][] = [
  ["volume", "same volume", "a cup for a cup"], ["weight", "same weight", "gram for gram, dry"], ["plates", "same plates", "as much once cooked"],
];

export interface ControlProps {
  choice: Choice;
  set: (next: Choice) => void;
  grains: Grain[];
  shift: Shift | undefined;
  fromName: string;
}

const legend = "mb-1.5 block text-[14px] text-soft";
const chip = (on: boolean) => `rounded-key border bg-sheet text-left ${on ? "border-ink outline outline-1 outline-ink" : "border-line hover:border-water"}`;

export function GrainControl({ choice, set, grains, fromName }: ControlProps) {
  const near = NEAR.includes(choice.to) ? NEAR : [choice.to, ...NEAR.slice(0, 2)];
  return (
    <div>
      <span className={legend}>Instead of {fromName || "the rice"}</span>
      <div className="flex gap-1.5">
        {near.map((slug) => {
          const g = grains.find((x) => x.slug === slug);
          return g ? (
            <button key={slug} type="button" aria-pressed={choice.to === slug} onClick={() => set({ ...choice, to: slug })} className={`${chip(choice.to === slug)} w-[98px] px-2 pb-1.5 pt-1.5`}>
              <Swatch slug={slug} family={g.family} className="h-[9px] w-full" />
              <span className="mt-1 block truncate text-[14px] font-semibold leading-tight tracking-[-0.01em]">{g.name.replace(/ (millet|rice)$/, "")}</span>
              <span className="figures block text-[12.5px] text-soft">{minuteWord(g)}</span>
            </button>
          ) : null;
        })}
        <Pop
          wide
          label="All grains"
          trigger={
            <button type="button" className={`${chip(false)} px-2.5 text-[14.5px] leading-tight`}>
              All {grains.length}
              <span className="block text-[12.5px] text-soft">grains ›</span>
            </button>
          }
        >
          <AllGrains grains={grains} to={choice.to} pick={(slug) => set({ ...choice, to: slug })} />
        </Pop>
      </div>
    </div>
  );
}

const minuteWord = (g: Grain) => (g.simmer_min ? `${g.simmer_min} min boil` : "steeped");

export function AllGrains({ grains, to, pick }: { grains: Grain[]; to: string; pick: (slug: string) => void }) {
  const [find, setFind] = useState("");
  const shown = grains.filter((g) => `${g.name} ${g.family} ${g.slug}`.toLowerCase().includes(find.trim().toLowerCase()));
  const families = [...new Set(shown.map((g) => g.family))];
  return (
    <div>
      <label className="block">
        <span className="sr-only">Find a grain</span>
        <input value={find} onChange={(e) => setFind(e.target.value)} placeholder="Find a grain" className="mb-2 min-h-11 w-full rounded-key border border-line bg-quiet px-3 text-[16px]" />
      </label>
      {families.map((family) => (
        <div key={family}>
          <h3 className="mb-1 mt-3 text-[15px] text-soft">{family}</h3>
          <div className="grid grid-cols-2 gap-1">
            {shown
              .filter((g) => g.family === family)
              .map((g) => (
                <button key={g.slug} type="button" aria-pressed={to === g.slug} onClick={() => pick(g.slug)} className={`${chip(to === g.slug)} flex min-h-11 items-center gap-2 px-2 text-[14.5px]`}>
                  <Swatch slug={g.slug} family={g.family} className="h-6 w-4 shrink-0" />
                  <span className="min-w-0 leading-tight">
                    {g.name}
                    <span className="figures block text-[12px] text-soft">
                      {minuteWord(g)}
                      {g.gluten && ", gluten"}
                    </span>
                  </span>
                </button>
              ))}
          </div>
        </div>
      ))}
      {shown.length === 0 && <p className="text-soft">No grain of that name. Try part of it.</p>}
    </div>
  );
}

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
          <span aria-hidden className="absolute inset-y-0 rounded-full bg-water-pale" style={{ left: `${low * 20}%`, right: `${100 - high * 20}%` }} />
        </Slider.Track>
        <Slider.Thumb aria-labelledby="texture-label" aria-valuetext={words[Math.round(value)]} className="block h-6 w-6 rounded-full border-[3px] border-sheet bg-ink outline outline-2 outline-ink" />
      </Slider.Root>
      <div className="flex justify-between text-[13px] tracking-[-0.01em]">
        {words.map((w, i) => (
          <button
            key={w}
            type="button"
            disabled={i < low || i > high}
            onClick={() => set({ ...choice, texture: i })}
            className={`min-h-7 px-0.5 ${Math.round(value) === i ? "font-bold text-ink" : "text-soft"} disabled:line-through disabled:opacity-60`}
          >
            {w}
          </button>
        ))}
      </div>
    </div>
  );
}

export function PotControl({ choice, set, shift }: ControlProps) {
  const lid = choice.lid ?? (shift?.pots[0]?.lid as Choice["lid"]) ?? "ordinary";
  const cm = choice.pot_cm ?? 20;
  return (
    <div>
      <span className={legend}>Pot and lid</span>
      <Pop
        label="Pot and lid"
        trigger={
          <button type="button" className={`${chip(false)} flex min-h-12 w-full items-center justify-between gap-2 px-3 text-[14.5px]`}>
            <span>
              {cm} cm, {LIDS.find(([l]) => l === lid)?.[1]}
            </span>
            <ChevronDown size={17} aria-hidden />
          </button>
        }
      >
        <p className="mb-1 text-[15px] font-semibold">How wide is the pot?</p>
        <ToggleGroup.Root type="single" value={String(cm)} onValueChange={(v) => v && set({ ...choice, pot_cm: Number(v) })} aria-label="Width of the pot in centimetres" className="mb-4 grid grid-cols-6 gap-1.5">
          {[16, 18, 20, 22, 24, 28].map((n) => (
            <ToggleGroup.Item key={n} value={String(n)} className={`${chip(cm === n)} figures min-h-11 text-center text-[15px]`}>
              {n}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        <p className="mb-1 text-[15px] font-semibold">How is it covered?</p>
        <ToggleGroup.Root type="single" value={lid} onValueChange={(v) => v && set({ ...choice, lid: v as Choice["lid"], method: null })} aria-label="Lid" className="grid grid-cols-2 gap-1.5">
          {LIDS.map(([l, word]) => (
            <ToggleGroup.Item key={l} value={l} className={`${chip(lid === l)} min-h-11 px-3 text-[15px]`}>
              {word}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        <NumberField label="Altitude, m" value={choice.altitude_m ?? 0} onChange={(v) => set({ ...choice, altitude_m: v })} />
        <NumberField label="Kitchen, °C" value={choice.room_c ?? 20} onChange={(v) => set({ ...choice, room_c: v })} />
      </Pop>
    </div>
  );
}

function NumberField({ label, value, onChange }: { label: string; value: number; onChange: (v: number) => void }) {
  const [text, setText] = useState(String(value));
  return (
    <label className="mt-3 flex items-center justify-between gap-4 text-[15px] font-semibold">
      {label}
      <input
        inputMode="decimal"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          const v = Number(e.target.value.replace(",", "."));
          if (e.target.value.trim() !== "" && Number.isFinite(v)) onChange(v);
        }}
        className="figures min-h-11 w-28 rounded-key border border-line bg-quiet px-3 text-right text-[16px] font-normal"
      />
    </label>
  );
}

export function SoakControl({ choice, set, grains, shift }: ControlProps) {
  const g = grains.find((x) => x.slug === choice.to);
  const now = choice.soak_min ?? shift?.pots[0]?.soak.min ?? 0;
  const options: [number, string][] = [[0, "none"], [30, "30 min"], [480, "long"]];
  return (
    <div>
      <span className={legend}>Soak{now > 30 ? `, ${Math.round(now / 60)} hours` : ""}</span>
      <ToggleGroup.Root type="single" value={String(now)} onValueChange={(v) => v !== "" && set({ ...choice, soak_min: Number(v) })} aria-label="Soak" className="flex gap-1.5">
        {options.map(([min, word]) => (
          <ToggleGroup.Item key={min} value={String(min)} disabled={min > 0 && g !== undefined && !g.soaks} className={`${chip(now === min)} min-h-12 flex-1 whitespace-nowrap px-2.5 text-center text-[15px] disabled:opacity-45`}>
            {word}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {now > 0 && (
        <button type="button" role="switch" aria-checked={choice.soak_water === "kept"} onClick={() => set({ ...choice, soak_water: choice.soak_water === "kept" ? "discarded" : "kept" })} className="mt-1 min-h-8 text-[14px] text-water">
          {choice.soak_water === "kept" ? "soak water stays in the pot" : "soak water poured away"}
        </button>
      )}
    </div>
  );
}

export function AmountControl({ choice, set, shift }: ControlProps) {
  const keep = choice.keep ?? "volume";
  const people = choice.servings ?? shift?.servings ?? null;
  return (
    <div>
      <span className={legend}>How much</span>
      <Pop
        label="How much grain"
        trigger={
          <button type="button" className={`${chip(false)} flex min-h-12 w-full items-center justify-between gap-3 px-3 text-[15px]`}>
            <span className="whitespace-nowrap text-[14.5px]">
              {KEEPS.find(([k]) => k === keep)?.[1]}
              {people !== null && `, ${people}`}
            </span>
            <ChevronDown size={17} aria-hidden />
          </button>
        }
      >
        <p className="mb-1 text-[15px] font-semibold">What stays the same?</p>
        <ToggleGroup.Root type="single" value={keep} onValueChange={(v) => v && set({ ...choice, keep: v as Choice["keep"] })} aria-label="What stays the same" className="grid gap-1.5">
          {KEEPS.map(([k, word, what]) => (
            <ToggleGroup.Item key={k} value={k} className={`${chip(keep === k)} min-h-12 px-3 text-[15px]`}>
              <strong>{word}</strong> <span className="text-soft">{what}</span>
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        {people !== null && (
          <div className="mt-4 flex items-center justify-between">
            <span className="text-[15px] font-semibold">At the table</span>
            <span className="flex items-center gap-2">
              <Step by={-1} people={people} set={(n) => set({ ...choice, servings: n })} />
              <output className="figures w-9 text-center font-show text-[24px] font-bold">{people}</output>
              <Step by={1} people={people} set={(n) => set({ ...choice, servings: n })} />
            </span>
          </div>
        )}
        <button type="button" role="switch" aria-checked={choice.age === "old"} onClick={() => set({ ...choice, age: choice.age === "old" ? "fresh" : "old" })} className={`${chip(choice.age === "old")} mt-4 min-h-11 w-full px-3 text-[15px]`}>
          {choice.age === "old" ? "An old bag: a tenth more of both" : "A fresh bag"}
        </button>
      </Pop>
    </div>
  );
}

function Step({ by, people, set }: { by: number; people: number; set: (n: number) => void }) {
  return (
    <button type="button" aria-label={by > 0 ? "One more" : "One fewer"} disabled={people + by < 1 || people + by > 60} onClick={() => set(people + by)} className="grid h-11 w-11 place-items-center rounded-key border border-line text-[22px] disabled:opacity-40">
      {by > 0 ? "+" : "−"}
    </button>
  );
}
