import { useState } from "react";
import { Link } from "../../ui/route";
import { answer, api, asTrouble, type KitchenPot, type Trouble } from "../../api/client";
import { shown, typed, unitOf } from "../../job/rim";
import { Bottom } from "../../ui/Bottom";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { useKitchenChanged } from "./change";
import { LID_WORDS } from "./lids";
import { throwAway } from "../../ui/gone";

export type PotForm = { id: number | null; name: string; diameter_cm: string; litres: string; lid: KitchenPot["lid"] };
export const NEW_POT: PotForm = { id: null, name: "", diameter_cm: "", litres: "", lid: "ordinary" };

const input = "figures min-h-12 rounded-key border border-line bg-quiet px-3 text-body font-normal";

export function PotSheet({ form, set, pot }: { form: PotForm; set: (f: PotForm | null) => void; pot?: KitchenPot }) {
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const changed = useKitchenChanged();
  const save = async () => {
    const diameter_cm = typed("width", form.diameter_cm, pot?.diameter_cm);
    const litres = form.litres.trim() === "" ? null : typed("holds", form.litres, pot?.litres);
    if (form.diameter_cm.trim() === "" || !Number.isFinite(diameter_cm))
      return setTrouble({
        code: "number",
        where: "pot_cm",
        text: `“${form.diameter_cm}” is no width; measure across the inside and write ${unitOf("width") === "cm" ? "centimetres" : unitOf("width")}, such as ${shown("width", 20)}.`,
      });
    if (litres !== null && !Number.isFinite(litres))
      return setTrouble({
        code: "number",
        where: "pot_l",
        text: `“${form.litres}” is no volume; write ${unitOf("holds")}, such as ${shown("holds", 3.5)}, or leave it empty.`,
      });
    const body = { name: form.name, diameter_cm, litres, lid: form.lid };
    try {
      await answer(
        form.id === null
          ? api.POST("/api/kitchen/pots", { body })
          : api.PUT("/api/kitchen/pots/{pot_id}", { params: { path: { pot_id: form.id } }, body }),
      );
      await changed();
      set(null);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  const drop = (pot_id: number) => {
    throwAway(`pot/${pot_id}`, `${form.name}: taken away.`, () =>
      answer(api.DELETE("/api/kitchen/pots/{pot_id}", { params: { path: { pot_id } }, keepalive: true })).finally(
        changed,
      ),
    );
    set(null);
  };
  const at = (where: string) => (trouble?.where === where ? <Wrong trouble={trouble} className="mt-1" /> : null);
  return (
    <Bottom open onOpen={(o) => !o && set(null)} title={form.id === null ? "A pot" : (pot?.name ?? "A pot")}>
      <div className="grid gap-3 text-small font-semibold min-[32.5rem]:grid-cols-2">
        <label className="block">
          What you call it
          <input
            value={form.name}
            onChange={(e) => set({ ...form, name: e.target.value })}
            placeholder="the blue one"
            className={`${input} mt-1 w-full`}
          />
          {at("name")}
        </label>
        <label className="block">
          Across the inside, {unitOf("width")}
          <input
            value={form.diameter_cm}
            inputMode="decimal"
            onChange={(e) => set({ ...form, diameter_cm: e.target.value })}
            className={`${input} mt-1 w-full`}
          />
          {at("pot_cm")}
        </label>
        <label className="block">
          It holds, {unitOf("holds")}
          <input
            value={form.litres}
            inputMode="decimal"
            onChange={(e) => set({ ...form, litres: e.target.value })}
            placeholder="if you know"
            className={`${input} mt-1 w-full`}
          />
          {at("pot_l")}
        </label>
        <label className="block">
          Its lid
          <select
            value={form.lid}
            onChange={(e) => set({ ...form, lid: e.target.value as PotForm["lid"] })}
            className={`${input} mt-1 w-full`}
          >
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
            <Button kind="warn" className="min-h-14" onClick={() => form.id !== null && drop(form.id)}>
              Take it away
            </Button>
          </>
        )}
      </div>
    </Bottom>
  );
}
