import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { Link } from "react-router";
import { answer, api, asTrouble, type Kitchen as KitchenData, type KitchenPot, type Trouble } from "../../api/client";
import { useHomeChange, useKitchen, useSession } from "../../api/queries";
import { Bottom } from "../../ui/Bottom";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { Measure } from "../kept/Measure";
import { Devices } from "./Devices";
import { LID_WORDS } from "./lids";
import { Shelf } from "./Shelf";
import { typedNumber } from "../../job/manner";

type PotForm = { id: number | null; name: string; diameter_cm: string; litres: string; lid: KitchenPot["lid"] };
const NEW_POT: PotForm = { id: null, name: "", diameter_cm: "", litres: "", lid: "ordinary" };

/** What the household cooks with; every number on the bench and the plan stands on it. */
export function Kitchen() {
  const kitchen = useKitchen();
  const session = useSession();
  const [form, setForm] = useState<PotForm | null>(null);
  const k = kitchen.data;
  if (!k) return null;
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-end gap-3">
        <div className="mr-auto">
          <h1 className="text-[27px]">Kitchen</h1>
          {!k.said && <p className="mt-1 text-soft">Until you say otherwise I reckon with a 20 cm pot on two burners at sea level.</p>}
        </div>
        {session.data && <Measure session={session.data} />}
        <Button kind="main" onClick={() => setForm(NEW_POT)}>
          Add a pot
        </Button>
      </div>
      <Sheet className="mt-4 px-5 pb-4 pt-5" aria-label="Pots">
        {k.pots.length === 0 ? (
          <p className="py-6 text-center text-soft">No pot yet. Measure one across the inside and add it: the water that boils off depends on it.</p>
        ) : (
          <Shelf pots={k.pots} pick={(p) => setForm({ id: p.id, name: p.name, diameter_cm: String(p.diameter_cm), litres: p.litres === null || p.litres === undefined ? "" : String(p.litres), lid: p.lid })} />
        )}
      </Sheet>
      <Place key={JSON.stringify(k)} kitchen={k} />
      {k.took.length > 0 && <TookHere said={k.took} />}
      <Devices devices={k.devices} />
      {form && <PotSheet form={form} set={setForm} pot={k.pots.find((p) => p.id === form.id)} />}
    </div>
  );
}

/** How long things take in this kitchen, as the stove has seen it; it can be forgotten. */
function TookHere({ said }: { said: string[] }) {
  const forget = useHomeChange(() => answer(api.DELETE("/api/kitchen/took")));
  return (
    <Sheet className="mt-4 p-5" aria-label="How long it takes here">
      <h2 className="mb-1 text-[18px]">How long it takes here</h2>
      <ul className="m-0 list-none p-0 text-[16px]">
        {said.map((s) => (
          <li key={s} className="py-1">
            {s}
          </li>
        ))}
      </ul>
      <Button kind="quiet" className="-ml-3 mt-1" disabled={forget.isPending} onClick={() => forget.mutate(undefined)}>
        Forget these
      </Button>
    </Sheet>
  );
}

const input = "figures min-h-12 rounded-key border border-line bg-quiet px-3 text-[17px] font-normal";

function useKitchenChange() {
  const client = useQueryClient();
  return async () => {
    await client.invalidateQueries({ queryKey: ["kitchen"] });
    // every reckoning stands on the kitchen
    for (const key of ["shift", "plan", "compare", "what-if", "grain"]) void client.invalidateQueries({ queryKey: [key] });
  };
}

function PotSheet({ form, set, pot }: { form: PotForm; set: (f: PotForm | null) => void; pot?: KitchenPot }) {
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const changed = useKitchenChange();
  const save = async () => {
    const diameter_cm = typedNumber(form.diameter_cm);
    const litres = form.litres.trim() === "" ? null : typedNumber(form.litres);
    if (form.diameter_cm.trim() === "" || !Number.isFinite(diameter_cm)) return setTrouble({ code: "number", where: "pot_cm", text: `“${form.diameter_cm}” is no width; measure across the inside and write centimetres, such as 20.` });
    if (litres !== null && !Number.isFinite(litres)) return setTrouble({ code: "number", where: "pot_l", text: `“${form.litres}” is no volume; write litres, such as 3.5, or leave it empty.` });
    const body = { name: form.name, diameter_cm, litres, lid: form.lid };
    try {
      await answer(form.id === null ? api.POST("/api/kitchen/pots", { body }) : api.PUT("/api/kitchen/pots/{pot_id}", { params: { path: { pot_id: form.id } }, body }));
      await changed();
      set(null);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  const drop = async () => {
    if (form.id === null) return;
    await answer(api.DELETE("/api/kitchen/pots/{pot_id}", { params: { path: { pot_id: form.id } } })).catch((fault: unknown) => setTrouble(asTrouble(fault)));
    await changed();
    set(null);
  };
  const at = (where: string) => (trouble?.where === where ? <Wrong trouble={trouble} className="mt-1" /> : null);
  return (
    <Bottom open onOpen={(o) => !o && set(null)} title={form.id === null ? "A pot" : (pot?.name ?? "A pot")}>
      <div className="grid gap-3 text-[15px] font-semibold min-[520px]:grid-cols-2">
        <label className="block">
          What you call it
          <input value={form.name} onChange={(e) => set({ ...form, name: e.target.value })} placeholder="the blue one" className={`${input} mt-1 w-full`} />
          {at("name")}
        </label>
        <label className="block">
          Across the inside, cm
          <input value={form.diameter_cm} inputMode="decimal" onChange={(e) => set({ ...form, diameter_cm: e.target.value })} className={`${input} mt-1 w-full`} />
          {at("pot_cm")}
        </label>
        <label className="block">
          It holds, litres
          <input value={form.litres} inputMode="decimal" onChange={(e) => set({ ...form, litres: e.target.value })} placeholder="if you know" className={`${input} mt-1 w-full`} />
          {at("pot_l")}
        </label>
        <label className="block">
          Its lid
          <select value={form.lid} onChange={(e) => set({ ...form, lid: e.target.value as PotForm["lid"] })} className={`${input} mt-1 w-full`}>
            {(["ordinary", "tight", "sealed", "ajar"] as const).map((l) => (
              <option key={l} value={l}>
                {LID_WORDS[l]}
              </option>
            ))}
          </select>
        </label>
      </div>
      {trouble && !["name", "pot_cm", "pot_l"].includes(trouble.where) && <Wrong trouble={trouble} className="mt-2" />}
      <div className="mt-4 flex flex-wrap gap-2">
        <Button kind="main" className="min-h-14 flex-1" onClick={() => void save()}>
          {form.id === null ? "Add it" : "Change it"}
        </Button>
        {form.id !== null && (
          <>
            <Link to={`/kitchen/pots/${form.id}/boil-off`} className={`${keyLook()} min-h-14 flex-1`}>
              Boil-off test
            </Link>
            <Button kind="warn" className="min-h-14" onClick={() => void drop()}>
              Take it away
            </Button>
          </>
        )}
      </div>
    </Bottom>
  );
}

const APPLIANCES = [["rice_cooker", "Rice cooker"], ["pressure_cooker", "Pressure cooker, stove-top"], ["electric_pressure", "Pressure cooker, electric"], ["slow_cooker", "Slow cooker"]] as const;

function Place({ kitchen }: { kitchen: KitchenData }) {
  const changed = useKitchenChange();
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [saved, setSaved] = useState(false);
  const [burners, setBurners] = useState(kitchen.burners.map(String));
  const [has, setHas] = useState({ rice_cooker: kitchen.rice_cooker, pressure_cooker: kitchen.pressure_cooker, electric_pressure: kitchen.electric_pressure, slow_cooker: kitchen.slow_cooker ?? false });
  const [text, setText] = useState({
    microwave_w: kitchen.microwave_w == null ? "" : String(kitchen.microwave_w), oven_places: String(kitchen.oven_places), whistle_min: String(kitchen.whistle_min),
    altitude_m: String(kitchen.altitude_m), room_c: String(kitchen.room_c), jar_ml: String(kitchen.jar_ml),
  });
  const [zone, setZone] = useState(kitchen.time_zone ?? "UTC");
  const field = (key: keyof typeof text, label: string, unit: string, placeholder = "") => (
    <label className="flex min-h-12 items-center justify-between gap-3 text-[16px]">
      <span>{label}</span>
      <span className="flex items-center gap-2">
        <input value={text[key]} inputMode="decimal" placeholder={placeholder} aria-invalid={trouble?.where === key || (key === "altitude_m" && trouble?.where === "altitude")} onChange={(e) => setText({ ...text, [key]: e.target.value })} className={`${input} w-24 text-right aria-[invalid=true]:border-warn`} />
        <span className="w-8 text-[15px] text-soft">{unit}</span>
      </span>
    </label>
  );
  const save = async () => {
    const numbers: Record<string, number | null> = {};
    for (const [key, value] of Object.entries(text)) {
      numbers[key] = value.trim() === "" && key === "microwave_w" ? null : typedNumber(value);
      if (numbers[key] !== null && (value.trim() === "" || !Number.isFinite(numbers[key]))) return setTrouble({ code: "number", where: key, text: `“${value}” is no number; write one, such as 20.` });
    }
    const watts = burners.map(typedNumber);
    if (watts.some((w) => !Number.isFinite(w))) return setTrouble({ code: "number", where: "burners", text: "Each burner's strength is a number of watts; an ordinary one has about 1,200." });
    try {
      const body = { ...has, ...(numbers as { oven_places: number; whistle_min: number; altitude_m: number; room_c: number; jar_ml: number; microwave_w: number | null }), burners: watts, time_zone: zone };
      await answer(api.PUT("/api/kitchen", { body }));
      setTrouble(null);
      setSaved(true);
      await changed();
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  return (
    <Sheet className="mt-4 p-5" aria-label="Stove and place">
      <div className="grid gap-x-10 gap-y-5 min-[1000px]:grid-cols-3">
        <div>
          <h2 className="mb-2 text-[18px]">Burners</h2>
          <div className="flex flex-wrap gap-2">
            {burners.map((w, i) => (
              <label key={i} className="relative">
                <span className="sr-only">Burner {i + 1}, watts</span>
                <input value={w} inputMode="numeric" onChange={(e) => setBurners(burners.map((b, n) => (n === i ? e.target.value : b)))} className="figures h-[92px] w-[92px] rounded-full border-2 border-ink bg-quiet text-center text-[19px] font-bold" />
                <span className="pointer-events-none absolute inset-x-0 bottom-4 text-center text-[13px] text-soft">W</span>
              </label>
            ))}
          </div>
          <div className="mt-2 flex gap-2">
            <Button disabled={burners.length >= 8} onClick={() => setBurners([...burners, burners[burners.length - 1] ?? "1200"])}>
              One more
            </Button>
            <Button disabled={burners.length <= 1} onClick={() => setBurners(burners.slice(0, -1))}>
              One fewer
            </Button>
          </div>
          <p className="mt-2 text-[14px] text-soft">About 1,200 W reach a pot on an ordinary burner, 1,800 on a strong one.</p>
        </div>
        <div>
          <h2 className="mb-2 text-[18px]">Appliances</h2>
          {APPLIANCES.map(([key, word]) => (
            <label key={key} className="flex min-h-12 items-center justify-between gap-3 text-[16px]">
              {word}
              <input type="checkbox" checked={has[key]} onChange={(e) => setHas({ ...has, [key]: e.target.checked })} className="h-6 w-6 accent-[var(--water)]" />
            </label>
          ))}
          {has.pressure_cooker && field("whistle_min", "A whistle stands for", "min")}
          {field("microwave_w", "Microwave gives", "W", "none")}
          {field("oven_places", "The oven takes at once", "")}
          {field("jar_ml", "The grinder jar holds", "ml")}
        </div>
        <div>
          <h2 className="mb-2 text-[18px]">Place</h2>
          {field("altitude_m", "Above the sea", "m")}
          {field("room_c", "The kitchen is", "°C")}
          <label className="flex min-h-12 items-center justify-between gap-3 text-[16px]">
            Time zone
            <input value={zone} onChange={(e) => setZone(e.target.value)} className="min-h-12 w-44 rounded-key border border-line bg-quiet px-3 text-[16px]" />
          </label>
          <Button kind="main" className="mt-3 min-h-14 w-full" onClick={() => void save()}>
            That is my kitchen
          </Button>
          {saved && !trouble && (
            <p role="status" className="mt-2 text-[15px] text-soft">
              Bench and plan reckon with it from now on.
            </p>
          )}
          <Wrong trouble={trouble} className="mt-2" />
        </div>
      </div>
    </Sheet>
  );
}
