import { useState } from "react";
import { useGrainPage, useLarder } from "../../../api/queries";
import { decimal } from "../../../job/manner";
import { Pop } from "../../../ui/Pop";
import { chip, NumberField, type ControlProps } from "./control";

/** What the packet of this grain says, beside ours; the cook chooses whose words the pot goes by. A bag of the larder brings its label along. */
export function PacketControl({ choice, set, grains }: Pick<ControlProps, "choice" | "set" | "grains">) {
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
          For {g.name} we say 1 to {decimal(Number(ours.water.ratio_by_volume?.toFixed(1)))} of water and{" "}
          {ours.time.cook.typical} minutes, under a lid, {ours.texture_word}.
          {bag && " The bag in your larder has its own words."}
        </p>
      )}
      <NumberField
        key={`r${choice.to}`}
        label="Water to one of grain"
        value={ratio}
        onChange={(v) => setTyped({ ...typed, ratio: v })}
      />
      <NumberField
        key={`m${choice.to}`}
        label="Minutes at the boil"
        value={minutes}
        onChange={(v) => setTyped({ ...typed, minutes: v })}
      />
      <div className="mt-4 grid grid-cols-2 gap-1.5">
        <button
          type="button"
          aria-pressed={held === undefined}
          onClick={() => set({ ...choice, packets: others })}
          className={`${chip(held === undefined)} min-h-12 px-3 text-small`}
        >
          Go by ours
        </button>
        <button
          type="button"
          disabled={ratio === null && minutes === null}
          aria-pressed={held !== undefined}
          onClick={() => set({ ...choice, packets: [...others, { grain: choice.to, ratio, minutes }] })}
          className={`${chip(held !== undefined)} min-h-12 px-3 text-small disabled:opacity-45`}
        >
          Go by the packet
        </button>
      </div>
    </Pop>
  );
}
