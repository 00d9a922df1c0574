import { ChevronDown } from "lucide-react";
import { Slider, ToggleGroup } from "radix-ui";
import { useState } from "react";
import { Link } from "react-router";
import type { Choice, Grain, Shift } from "../../api/client";
import { Swatch } from "../../job/Hatch";
import { useGrainPage, useGuest, useKitchen, useLarder } from "../../api/queries";
import { Pop } from "../../ui/Pop";
import { schoolChoice } from "../grain/GrainPage";
import { decimal, heatUnit, shownHeat, toCelsius, typedNumber } from "../../job/manner";

const NEAR = ["foxtail-millet", "quinoa"];
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

const legend = "mb-1.5 block text-small text-soft";
const chip = (on: boolean) => `rounded-key border bg-sheet text-left ${on ? "border-ink outline outline-1 outline-ink" : "border-line hover:border-water"}`;

export function GrainControl({ choice, set, grains, shift, fromName }: ControlProps) {
  const guest = useGuest();
  const near = (NEAR.includes(choice.to) ? NEAR : [choice.to, ...NEAR]).slice(0, 2);
  return (
    <div>
      <span className="mb-1.5 flex items-baseline justify-between gap-3 text-small">
        <span className="text-soft">Instead of {fromName || "the rice"}</span>
        <span className="flex items-baseline gap-3">
          <PacketControl choice={choice} set={set} grains={grains} />
          {!guest && (
            <Link to="/every" className="font-semibold text-water no-underline hover:underline">
              Every grain
            </Link>
          )}
        </span>
      </span>
      <div className="flex gap-1.5">
        {near.map((slug) => {
          const g = grains.find((x) => x.slug === slug);
          return g ? (
            <button key={slug} type="button" aria-pressed={choice.to === slug} onClick={() => set({ ...choice, to: slug, blend: [] })} className={`${chip(choice.to === slug)} w-[106px] px-2 pb-1.5 pt-1.5`}>
              <Swatch slug={slug} family={g.family} className="h-[9px] w-full" />
              <span className="mt-1 block truncate text-small font-semibold leading-tight tracking-[-0.01em]">{g.name.replace(/ (millet|rice)$/, "")}</span>
              <span className="figures block text-fine text-soft">{minuteWord(g)}</span>
            </button>
          ) : null;
        })}
        <BlendControl choice={choice} set={set} grains={grains} shift={shift} fromName={fromName} />
        <Pop
          wide
          label="All grains"
          trigger={
            <button type="button" className={`${chip(false)} px-2.5 text-small leading-tight`}>
              All {grains.length}
              <span className="block text-fine text-soft">grains ›</span>
            </button>
          }
        >
          <AllGrains grains={grains} to={choice.to} pick={(slug) => set({ ...choice, to: slug, blend: [] })} />
        </Pop>
      </div>
    </div>
  );
}

/** Two or more grains in the dish: shares, and how they share the pot. */
function BlendControl({ choice, set, grains, shift }: ControlProps) {
  const blend = choice.blend ?? [];
  const on = blend.length > 1;
  const source = shift?.from.grain ?? "rice-white-long";
  const start = (parts: { grain: string; share: number }[]) => set({ ...choice, blend: parts, texture: null, soak_min: null, method: null, lid: null, roast: null });
  const total = blend.reduce((sum, p) => sum + p.share, 0) || 1;
  const name = (slug: string) => grains.find((g) => g.slug === slug)?.name ?? slug;
  return (
    <Pop
      label="Blend"
      trigger={
        <button type="button" aria-pressed={on} className={`${chip(on)} px-2.5 text-small leading-tight`}>
          Blend
          <span className="figures block text-fine text-soft">{on ? blend.map((p) => Math.round((p.share / total) * 100)).join(":") : "mix ›"}</span>
        </button>
      }
    >
      {!on ? (
        <div className="space-y-3 text-small">
          <p className="text-soft">Easing in? Begin with about a third of the new grain.</p>
          <button type="button" className={`${chip(false)} min-h-12 w-full px-3`} onClick={() => start([{ grain: choice.to, share: 3 }, { grain: source === choice.to ? "quinoa" : source, share: 7 }])}>
            <strong>30 : 70</strong> <span className="text-soft">{name(choice.to)} with {name(source === choice.to ? "quinoa" : source)}</span>
          </button>
          <button type="button" className={`${chip(false)} min-h-12 w-full px-3`} onClick={() => start([{ grain: choice.to, share: 1 }, { grain: choice.to === "quinoa" ? "foxtail-millet" : "quinoa", share: 1 }])}>
            <strong>half and half</strong> <span className="text-soft">with {name(choice.to === "quinoa" ? "foxtail-millet" : "quinoa")}</span>
          </button>
        </div>
      ) : (
        <div className="space-y-3 text-small">
          {shift?.blend && shift.blend.because && <p className="font-semibold">{shift.blend.because.charAt(0).toUpperCase() + shift.blend.because.slice(1)}.</p>}
          {blend.map((p, i) => (
            <div key={i} className="flex items-center gap-2">
              <select aria-label={`Grain ${i + 1} of the blend`} value={p.grain} onChange={(e) => start(blend.map((x, k) => (k === i ? { ...x, grain: e.target.value } : x)))} className="min-h-11 min-w-0 flex-1 rounded-key border border-line bg-sheet px-2">
                {grains.map((g) => (
                  <option key={g.slug} value={g.slug} disabled={blend.some((x, k) => k !== i && x.grain === g.slug)}>
                    {g.name}
                  </option>
                ))}
              </select>
              <button type="button" aria-label={`Less ${name(p.grain)}`} disabled={p.share <= 1} onClick={() => start(blend.map((x, k) => (k === i ? { ...x, share: x.share - 1 } : x)))} className="grid h-11 w-9 place-items-center rounded-key border border-line text-lead disabled:opacity-40">
                −
              </button>
              <output className="figures w-12 text-center font-bold">{Math.round((p.share / total) * 100)} %</output>
              <button type="button" aria-label={`More ${name(p.grain)}`} disabled={p.share >= 20} onClick={() => start(blend.map((x, k) => (k === i ? { ...x, share: x.share + 1 } : x)))} className="grid h-11 w-9 place-items-center rounded-key border border-line text-lead disabled:opacity-40">
                +
              </button>
            </div>
          ))}
          <div className="flex justify-between">
            {blend.length < 4 ? (
              <button type="button" className="min-h-11 font-semibold text-water" onClick={() => start([...blend, { grain: grains.find((g) => !blend.some((p) => p.grain === g.slug) && g.simmer_min > 0)?.slug ?? "teff", share: 1 }])}>
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

/** What the packet of this grain says, beside ours; the cook chooses whose words the pot goes by. A bag of the larder brings its label along. */
function PacketControl({ choice, set, grains }: Pick<ControlProps, "choice" | "set" | "grains">) {
  const g = grains.find((x) => x.slug === choice.to);
  const page = useGrainPage(choice.to);
  const bags = useLarder().data ?? [];
  const bag = bags.find((b) => b.grain === choice.to && (b.label_ratio !== null || b.label_min !== null));
  const held = choice.packets?.find((p) => p.grain === choice.to);
  const [typed, setTyped] = useState<{ ratio?: number; minutes?: number }>({});
  const ratio = typed.ratio ?? held?.ratio ?? bag?.label_ratio ?? null;
  const minutes = typed.minutes ?? held?.minutes ?? bag?.label_min ?? null;
  const ours = page.data?.ladder.find((p) => p.texture === "fluffy") ?? page.data?.ladder[0];
  const others = (choice.packets ?? []).filter((p) => p.grain !== choice.to);
  if (!g || (choice.blend ?? []).length > 1) return null;
  return (
    <Pop
      label="The packet's words"
      trigger={
        <button type="button" className="font-semibold text-water hover:underline">
          {held ? "by the packet’s words ›" : bag ? "the packet says ›" : "packet ›"}
        </button>
      }
    >
      <h3 className="mb-1 text-lead">What does the packet say?</h3>
      {ours && (
        <p className="text-small text-soft">
          For {g.name} we say 1 to {decimal(Number(ours.water.ratio_by_volume?.toFixed(1)))} of water and {ours.time.cook.typical} minutes, under a lid, {ours.texture_word}.
          {bag && " The bag in your larder has its own words."}
        </p>
      )}
      <NumberField key={`r${choice.to}`} label="Water to one of grain" value={ratio} onChange={(v) => setTyped({ ...typed, ratio: v })} />
      <NumberField key={`m${choice.to}`} label="Minutes at the boil" value={minutes} onChange={(v) => setTyped({ ...typed, minutes: v })} />
      <div className="mt-4 grid grid-cols-2 gap-1.5">
        <button type="button" aria-pressed={held === undefined} onClick={() => set({ ...choice, packets: others })} className={`${chip(held === undefined)} min-h-12 px-3 text-small`}>
          Go by ours
        </button>
        <button type="button" disabled={ratio === null && minutes === null} aria-pressed={held !== undefined} onClick={() => set({ ...choice, packets: [...others, { grain: choice.to, ratio, minutes }] })} className={`${chip(held !== undefined)} min-h-12 px-3 text-small disabled:opacity-45`}>
          Go by the packet
        </button>
      </div>
    </Pop>
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
        <input value={find} onChange={(e) => setFind(e.target.value)} placeholder="Find a grain" className="mb-2 min-h-11 w-full rounded-key border border-line bg-quiet px-3 text-body" />
      </label>
      {families.map((family) => (
        <div key={family}>
          <h3 className="mb-1 mt-3 text-small text-soft">{family}</h3>
          <div className="grid grid-cols-2 gap-1">
            {shown
              .filter((g) => g.family === family)
              .map((g) => (
                <button key={g.slug} type="button" aria-pressed={to === g.slug} onClick={() => pick(g.slug)} className={`${chip(to === g.slug)} flex min-h-11 items-center gap-2 px-2 text-small`}>
                  <Swatch slug={g.slug} family={g.family} className="h-6 w-4 shrink-0" />
                  <span className="min-w-0 leading-tight">
                    {g.name}
                    <span className="figures block text-fine text-soft">
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
      <div className="flex justify-between text-fine tracking-[-0.01em]">
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

export function PotControl({ choice, set, grains, shift }: ControlProps) {
  const guest = useGuest();
  const kitchen = useKitchen();
  const pots = kitchen.data?.pots ?? [];
  const lid = (choice.lid ?? (shift?.pots[0]?.lid as Choice["lid"]) ?? "ordinary") as NonNullable<Choice["lid"]>;
  const own = choice.pot_id != null ? pots.find((p) => p.id === choice.pot_id) : choice.pot_cm == null ? pots[0] : undefined;
  const cm = choice.pot_cm ?? own?.diameter_cm ?? 20;
  const k = kitchen.data;
  return (
    <div>
      <span className={legend}>Pot and lid</span>
      <Pop
        label="Pot and lid"
        trigger={
          <button type="button" className={`${chip(false)} flex min-h-12 w-full items-center justify-between gap-2 px-3 text-small`}>
            <span>
              {own ? own.name : `${cm} cm`}, {LIDS.find(([l]) => l === lid)?.[1]}
            </span>
            <ChevronDown size={17} aria-hidden />
          </button>
        }
      >
        {pots.length > 0 && (
          <>
            <p className="mb-1 text-small font-semibold">Which pot?</p>
            <div role="group" aria-label="Pots of your kitchen" className="mb-3 grid grid-cols-2 gap-1.5">
              {pots.map((p) => (
                <button key={p.id} type="button" aria-pressed={own?.id === p.id} onClick={() => set({ ...choice, pot_id: p.id, pot_cm: null, pot_l: null, pot_lid: null, boil_off: null, lid: null })} className={`${chip(own?.id === p.id)} min-h-12 px-3 text-small`}>
                  {p.name}
                  <span className="figures block text-fine text-soft">{p.diameter_cm} cm</span>
                </button>
              ))}
            </div>
          </>
        )}
        <p className="mb-1 text-small font-semibold">{pots.length > 0 ? "Or another, so wide" : "How wide is the pot?"}</p>
        <ToggleGroup.Root type="single" value={own ? "" : String(cm)} onValueChange={(v) => v && set({ ...choice, pot_cm: Number(v), pot_id: null, boil_off: null, pot_lid: null })} aria-label="Width of the pot in centimetres" className="mb-4 grid grid-cols-6 gap-1.5">
          {[16, 18, 20, 22, 24, 28].map((n) => (
            <ToggleGroup.Item key={n} value={String(n)} className={`${chip(!own && cm === n)} figures min-h-11 text-center text-small`}>
              {n}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        <p className="mb-1 text-small font-semibold">How is it covered?</p>
        <ToggleGroup.Root type="single" value={lid} onValueChange={(v) => v && set({ ...choice, lid: v as Choice["lid"], method: null })} aria-label="Lid" className="grid grid-cols-2 gap-1.5">
          {LIDS.map(([l, word]) => (
            <ToggleGroup.Item key={l} value={l} className={`${chip(lid === l)} min-h-11 px-3 text-small`}>
              {word}
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        <MethodChoice choice={choice} set={set} grains={grains} shift={shift} />
        <NumberField label="Altitude, m" value={choice.altitude_m ?? k?.altitude_m ?? 0} onChange={(v) => set({ ...choice, altitude_m: v })} />
        <details className="mt-3">
          <summary className="min-h-11 cursor-pointer py-2 text-small font-semibold text-water">Only for this dish</summary>
          <NumberField label={`Kitchen, ${heatUnit()}`} value={shownHeat(choice.room_c ?? k?.room_c ?? 20)} onChange={(v) => set({ ...choice, room_c: toCelsius(v) })} />
          <NumberField label="The pot holds, l" value={choice.pot_l ?? own?.litres ?? null} onChange={(v) => set({ ...choice, pot_l: v })} />
          <NumberField label="Burner, W" value={choice.burner_w ?? (k ? Math.max(...k.burners) : 1200)} onChange={(v) => set({ ...choice, burner_w: v })} />
          <NumberField label="Microwave, W" value={choice.watts ?? k?.microwave_w ?? 800} onChange={(v) => set({ ...choice, watts: v })} />
          <NumberField label="A whistle stands for, min" value={choice.whistle_min ?? k?.whistle_min ?? 2.5} onChange={(v) => set({ ...choice, whistle_min: v })} />
        </details>
        {!guest && (
          <Link to="/kitchen" className="mt-2 flex min-h-11 items-center text-small font-semibold text-water">
            Your kitchen, once for all dishes
          </Link>
        )}
      </Pop>
    </div>
  );
}

const METHOD_WORDS: Record<string, string> = {
  covered: "under a lid", open: "open pan", drain: "boiled, drained", steep: "steeped", flush: "short boil, flushed", steam: "steamed", "off-heat": "finished off the heat",
  "rice-cooker": "rice cooker", pressure: "pressure, whistles", "electric-pressure": "electric pressure", microwave: "microwave", oven: "oven", "cook-ahead": "cooked ahead",
  soup: "in a soup", "slow-cooker": "slow cooker",
};

function MethodChoice({ choice, set, grains, shift }: Omit<ControlProps, "fromName">) {
  const g = grains.find((x) => x.slug === choice.to);
  const now = shift?.pots[0]?.method ?? "covered";
  const methods = g?.methods ?? [now];
  return (
    <>
    <label className="mt-4 flex items-center justify-between gap-4 text-small font-semibold">
      Cooked
      <select value={now} onChange={(e) => set({ ...choice, method: e.target.value, lid: null })} className="min-h-11 rounded-key border border-line bg-sheet px-2 font-normal">
        {methods.map((m) => (
          <option key={m} value={m}>
            {METHOD_WORDS[m] ?? m}
          </option>
        ))}
      </select>
    </label>
    {now === "soup" && <NumberField label="Broth to stay, ml" value={choice.broth_ml ?? shift?.pots[0]?.ledger.find((r) => r.term === "broth")?.ml ?? null} onChange={(v) => set({ ...choice, broth_ml: v })} />}
    </>
  );
}

function NumberField({ label, value, onChange }: { label: string; value: number | null; onChange: (v: number) => void }) {
  const [text, setText] = useState(value === null ? "" : decimal(value));
  return (
    <label className="mt-3 flex items-center justify-between gap-4 text-small font-semibold">
      {label}
      <input
        inputMode="decimal"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          const v = typedNumber(e.target.value);
          if (Number.isFinite(v)) onChange(v);
        }}
        className="figures min-h-11 w-28 rounded-key border border-line bg-quiet px-3 text-right text-body font-normal"
      />
    </label>
  );
}

/** The schools of this grain by name: touch one and the bench takes it up. */
function SchoolPop({ choice, set }: Pick<ControlProps, "choice" | "set">) {
  const page = useGrainPage((choice.blend ?? []).length > 1 ? "" : choice.to);
  const schools = page.data?.schools ?? [];
  if (schools.length === 0) return null;
  return (
    <Pop
      wide
      label="How cooks do it"
      trigger={
        <button type="button" className="mt-1 min-h-8 text-small font-semibold text-water hover:underline">
          {schools.length} {schools.length === 1 ? "school" : "schools"} ›
        </button>
      }
    >
      <h3 className="mb-1 text-lead">How cooks do it</h3>
      <p className="mb-2 text-small text-soft">From little more than its own volume of water to several times it: the texture, the soak and the lid, not an error.</p>
      <ul className="m-0 list-none p-0">
        {schools.map((s) => (
          <li key={s.slug} className="dotted">
            <button type="button" onClick={() => set({ ...choice, ...schoolChoice(s) })} className="flex min-h-14 w-full items-center gap-4 py-2 text-left text-ink hover:text-water">
              <span className="min-w-0 flex-1">
                <span className="block text-body font-semibold">
                  {s.name}
                  {s.default && ", the usual"}
                </span>
                <span className="block text-small leading-snug text-soft">for {s.suits}</span>
              </span>
              <span className="figures shrink-0 text-right text-small">
                1 to <strong>{decimal(s.pot.water.ratio_by_volume ?? 0)}</strong>
                <span className="block text-fine text-soft">{s.pot.texture_word}</span>
              </span>
            </button>
          </li>
        ))}
      </ul>
    </Pop>
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
          <ToggleGroup.Item key={min} value={String(min)} disabled={min > 0 && g !== undefined && !g.soaks} className={`${chip(now === min)} min-h-12 flex-1 whitespace-nowrap px-2.5 text-center text-small disabled:opacity-45`}>
            {word}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <span className="flex items-center gap-3">
      <SchoolPop choice={choice} set={set} />
      {now > 0 && (
        <button type="button" role="switch" aria-checked={choice.soak_water === "kept"} onClick={() => set({ ...choice, soak_water: choice.soak_water === "kept" ? "discarded" : "kept" })} className="mt-1 min-h-8 text-small text-water">
          {choice.soak_water === "kept" ? "water kept" : "water away"}
        </button>
      )}
      </span>
    </div>
  );
}

export function AmountControl({ choice, set, grains, shift }: ControlProps) {
  const meal = grains.find((g) => g.slug === choice.to)?.form === "meal";
  const keep = choice.keep ?? "volume";
  const people = choice.servings ?? shift?.servings ?? null;
  return (
    <div>
      <span className={legend}>How much</span>
      <Pop
        label="How much grain"
        trigger={
          <button type="button" className={`${chip(false)} flex min-h-12 w-full items-center justify-between gap-3 px-3 text-small`}>
            <span className="whitespace-nowrap text-small">
              {KEEPS.find(([k]) => k === keep)?.[1]}
              {people !== null && `, ${people}`}
            </span>
            <ChevronDown size={17} aria-hidden />
          </button>
        }
      >
        <p className="mb-1 text-small font-semibold">What stays the same?</p>
        <ToggleGroup.Root type="single" value={keep} onValueChange={(v) => v && set({ ...choice, keep: v as Choice["keep"] })} aria-label="What stays the same" className="grid gap-1.5">
          {KEEPS.map(([k, word, what]) => (
            <ToggleGroup.Item key={k} value={k} className={`${chip(keep === k)} min-h-12 px-3 text-small`}>
              <strong>{word}</strong> <span className="text-soft">{what}</span>
            </ToggleGroup.Item>
          ))}
        </ToggleGroup.Root>
        {people !== null && (
          <div className="mt-4 flex items-center justify-between">
            <span className="text-small font-semibold">At the table</span>
            <span className="flex items-center gap-2">
              <Step by={-1} people={people} set={(n) => set({ ...choice, servings: n })} />
              <output className="figures w-9 text-center font-show text-head font-bold">{people}</output>
              <Step by={1} people={people} set={(n) => set({ ...choice, servings: n })} />
            </span>
          </div>
        )}
        {meal && (
          <button type="button" role="switch" aria-checked={choice.home_meal} onClick={() => set({ ...choice, home_meal: !choice.home_meal })} className={`${chip(choice.home_meal === true)} mt-4 min-h-11 w-full px-3 text-small`}>
            {choice.home_meal ? "The meal is made at home: dry, pulse, sift" : "The meal is bought"}
          </button>
        )}
        <button type="button" role="switch" aria-checked={choice.age === "old"} onClick={() => set({ ...choice, age: choice.age === "old" ? "fresh" : "old" })} className={`${chip(choice.age === "old")} mt-4 min-h-11 w-full px-3 text-small`}>
          {choice.age === "old" ? "An old bag: a tenth more of both" : "A fresh bag"}
        </button>
      </Pop>
    </div>
  );
}

function Step({ by, people, set }: { by: number; people: number; set: (n: number) => void }) {
  return (
    <button type="button" aria-label={by > 0 ? "One more" : "One fewer"} disabled={people + by < 1 || people + by > 60} onClick={() => set(people + by)} className="grid h-11 w-11 place-items-center rounded-key border border-line text-head disabled:opacity-40">
      {by > 0 ? "+" : "−"}
    </button>
  );
}
