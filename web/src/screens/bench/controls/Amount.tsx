import { ChevronDown } from "lucide-react";
import { ToggleGroup } from "radix-ui";
import type { Choice } from "../../../api/client";
import { Pop } from "../../../ui/Pop";
import { chip, legend, type ControlProps } from "./control";

const KEEPS: [NonNullable<Choice["keep"]>, string, string][] = [
  ["volume", "same volume", "a cup for a cup"],
  ["weight", "same weight", "gram for gram, dry"],
  ["plates", "same plates", "as much once cooked"],
];

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
          <button
            type="button"
            className={`${chip(false)} flex min-h-12 w-full items-center justify-between gap-3 px-3 text-small`}
          >
            <span className="text-left text-small">
              {KEEPS.find(([k]) => k === keep)?.[1]}
              {people !== null && `, for ${people}`}
            </span>
            <ChevronDown size={17} aria-hidden />
          </button>
        }
      >
        <p className="mb-1 text-small font-semibold">What stays the same?</p>
        <ToggleGroup.Root
          type="single"
          value={keep}
          onValueChange={(v) => v && set({ ...choice, keep: v as Choice["keep"] })}
          aria-label="What stays the same"
          className="grid gap-1.5"
        >
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
          <button
            type="button"
            role="switch"
            aria-checked={choice.home_meal}
            onClick={() => set({ ...choice, home_meal: !choice.home_meal })}
            className={`${chip(choice.home_meal === true)} mt-4 min-h-11 w-full px-3 text-small`}
          >
            {choice.home_meal ? "The meal is made at home: dry, pulse, sift" : "The meal is bought"}
          </button>
        )}
        <button
          type="button"
          role="switch"
          aria-checked={choice.age === "old"}
          onClick={() => set({ ...choice, age: choice.age === "old" ? "fresh" : "old" })}
          className={`${chip(choice.age === "old")} mt-4 min-h-11 w-full px-3 text-small`}
        >
          {choice.age === "old" ? "An old bag: a tenth more of both" : "A fresh bag"}
        </button>
      </Pop>
    </div>
  );
}

function Step({ by, people, set }: { by: number; people: number; set: (n: number) => void }) {
  return (
    <button
      type="button"
      aria-label={by > 0 ? "One more" : "One fewer"}
      disabled={people + by < 1 || people + by > 60}
      onClick={() => set(people + by)}
      className="grid h-11 w-11 place-items-center rounded-key border border-line text-head disabled:opacity-40"
    >
      {by > 0 ? "+" : "−"}
    </button>
  );
}
