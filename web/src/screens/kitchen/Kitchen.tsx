import { useState } from "react";
import { useKitchen, useSession } from "../../api/queries";
import { said, shown } from "../../job/rim";
import { Button, Sheet } from "../../ui/bits";
import { Measure } from "../kept/Measure";
import { Devices } from "./Devices";
import { Hob, Oven } from "./Hob";
import { Place } from "./Place";
import { NEW_POT, PotSheet, type PotForm } from "./PotSheet";
import { Shelf } from "./Shelf";
import { TookHere } from "./TookHere";
import { Worktop } from "./Worktop";
import { useKitchenPut } from "./change";
import { useGone } from "../../ui/gone";

/** What the household cooks with, drawn as it stands there; every number on the bench and the plan stands on it. Each touch is kept at once. */
export function Kitchen() {
  const kitchen = useKitchen();
  const session = useSession();
  const [form, setForm] = useState<PotForm | null>(null);
  const { put, saved } = useKitchenPut();
  const gone = useGone();
  const k = kitchen.data;
  if (!k) return null;
  const pots = k.pots.filter((p) => !gone.has(`pot/${p.id}`));
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-end gap-3">
        <div className="mr-auto">
          <h1 className="text-title">Kitchen</h1>
          <p role="status" className="mt-1 min-h-6 text-soft">
            {saved
              ? "Bench and plan reckon with it from now on."
              : !k.said &&
                `Until you say otherwise I reckon with a pot ${said("width", 20)} wide on two burners at sea level.`}
          </p>
        </div>
        {session.data && <Measure session={session.data} />}
        <Button kind="main" onClick={() => setForm(NEW_POT)}>
          Add a pot
        </Button>
      </div>
      <Sheet className="mt-3 px-5 pb-4 pt-5" aria-label="Pots">
        {pots.length === 0 ? (
          <p className="py-6 text-center text-soft">
            No pot yet. Measure one across the inside and add it: the water that boils off depends on it.
          </p>
        ) : (
          <Shelf
            pots={pots}
            pick={(p) =>
              setForm({
                id: p.id,
                name: p.name,
                diameter_cm: shown("width", p.diameter_cm),
                litres: p.litres == null ? "" : shown("holds", p.litres),
                lid: p.lid,
              })
            }
          />
        )}
      </Sheet>
      <div className="mt-4 grid items-start gap-4 min-[56.25rem]:grid-cols-[minmax(0,340px)_minmax(0,1fr)]">
        <Sheet className="p-5" aria-label="Stove">
          <Hob burners={k.burners} put={put} />
          <Oven places={k.oven_places} put={put} />
        </Sheet>
        <div className="space-y-4">
          <Worktop kitchen={k} put={put} />
          <Place kitchen={k} put={put} />
        </div>
      </div>
      {k.took.length > 0 && <TookHere said={k.took} />}
      <Devices devices={k.devices} />
      {form && <PotSheet form={form} set={setForm} pot={k.pots.find((p) => p.id === form.id)} />}
    </div>
  );
}
