import { ToggleGroup } from "radix-ui";
import type { Choice } from "../../../api/client";
import { Pop } from "../../../ui/Pop";
import { chip, type ControlProps } from "./control";

const ROASTS: [NonNullable<Choice["roast"]> | "usual", string][] = [
  ["usual", "as usual"],
  ["none", "not roasted"],
  ["dry", "roasted dry"],
  ["fat", "roasted in fat"],
];

/** What is done to the grain before the pot, beside the soak: roasting, sprouting. */
export function ReadyPop({ choice, set, grains, shift }: Omit<ControlProps, "fromName">) {
  const g = grains.find((x) => x.slug === choice.to);
  const pot = shift?.pots[0];
  const said = [choice.sprouted ? "sprouted" : "", choice.roast && choice.roast !== "none" ? "roasted" : ""]
    .filter(Boolean)
    .join(", ");
  return (
    <Pop
      label="Before the pot"
      trigger={
        <button
          type="button"
          className="mt-1 min-h-8 pointer-coarse:min-h-11 text-small font-semibold text-water hover:underline"
        >
          {said || "roast, sprout"} ›
        </button>
      }
    >
      <h3 className="mb-2 text-lead">Before the pot</h3>
      <ToggleGroup.Root
        type="single"
        value={choice.roast ?? "usual"}
        onValueChange={(v) => v && set({ ...choice, roast: v === "usual" ? null : (v as Choice["roast"]) })}
        aria-label="Roast"
        className="grid grid-cols-2 gap-1.5"
      >
        {ROASTS.map(([roast, word]) => (
          <ToggleGroup.Item
            key={roast}
            value={roast}
            className={`${chip((choice.roast ?? "usual") === roast)} min-h-12 px-3 text-small`}
          >
            {word}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      {(g?.roast_never || pot?.roast.why) && (
        <p className="mt-1.5 text-small text-soft">
          {g?.roast_never ? `Usually not: ${g.roast_never}.` : `${pot?.roast.why}.`}
        </p>
      )}
      <button
        type="button"
        role="switch"
        aria-checked={choice.sprouted === true}
        disabled={!g?.sprouts}
        onClick={() => set({ ...choice, sprouted: !choice.sprouted, soak_min: null, roast: null })}
        className={`${chip(choice.sprouted === true)} mt-4 min-h-12 w-full px-3 text-small disabled:opacity-45`}
      >
        {choice.sprouted ? "Sprouted first: a third less water and time" : "Not sprouted"}
      </button>
      <p className="mt-1.5 text-small text-soft">
        {g?.sprouts
          ? "A day or two: soaked, then rinsed and drained morning and evening until a white tip shows."
          : `${g?.name ?? "This grain"} does not sprout.`}
      </p>
    </Pop>
  );
}
