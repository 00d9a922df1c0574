import { ToggleGroup } from "radix-ui";
import { chip, legend, type ControlProps } from "./control";
import { ReadyPop } from "./Ready";
import { SchoolPop } from "./School";

export function SoakControl({ choice, set, grains, shift }: ControlProps) {
  const g = grains.find((x) => x.slug === choice.to);
  const now = choice.soak_min ?? shift?.pots[0]?.soak.min ?? 0;
  const options: [number, string][] = [
    [0, "none"],
    [30, "30 min"],
    [480, "long"],
  ];
  return (
    <div>
      <span className={legend}>Soak{now > 30 ? `, ${Math.round(now / 60)} hours` : ""}</span>
      <ToggleGroup.Root
        type="single"
        value={String(now)}
        onValueChange={(v) => v !== "" && set({ ...choice, soak_min: Number(v) })}
        aria-label="Soak"
        className="flex gap-1.5"
      >
        {options.map(([min, word]) => (
          <ToggleGroup.Item
            key={min}
            value={String(min)}
            disabled={min > 0 && g !== undefined && !g.soaks}
            className={`${chip(now === min)} min-h-12 flex-1 whitespace-nowrap px-2.5 text-center text-small disabled:opacity-45`}
          >
            {word}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
      <span className="flex flex-wrap items-center gap-x-3 whitespace-nowrap">
        <SchoolPop choice={choice} set={set} />
        <ReadyPop choice={choice} set={set} grains={grains} shift={shift} />
        {now > 0 && (
          <button
            type="button"
            role="switch"
            aria-checked={choice.soak_water === "kept"}
            onClick={() => set({ ...choice, soak_water: choice.soak_water === "kept" ? "discarded" : "kept" })}
            className="mt-1 min-h-8 pointer-coarse:min-h-11 text-small text-water"
          >
            {choice.soak_water === "kept" ? "water kept" : "water away"}
          </button>
        )}
      </span>
    </div>
  );
}
