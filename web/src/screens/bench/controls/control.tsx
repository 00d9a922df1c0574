import { useState } from "react";
import type { Choice, Grain, Shift } from "../../../api/client";
import { decimal } from "../../../job/manner";
import { typedNumber } from "../../../job/typed";
import { shown, typed, unitOf, type Rim } from "../../../job/rim";

/** What every control of the bench knows, and how they look. */
export interface ControlProps {
  choice: Choice;
  set: (next: Choice) => void;
  grains: Grain[];
  shift: Shift | undefined;
  fromName: string;
}

export const legend = "mb-1.5 block text-small text-soft";
export const chip = (on: boolean) =>
  `rounded-key border bg-sheet text-left ${on ? "border-ink outline outline-1 outline-ink" : "border-line hover:border-water"}`;

export function NumberField({
  label,
  value,
  onChange,
  rim,
}: {
  label: string;
  value: number | null;
  onChange: (v: number) => void;
  /** it is kept in metric and read in the household's own unit, which then stands behind the label */
  rim?: Rim;
}) {
  const [text, setText] = useState(value === null ? "" : rim ? shown(rim, value) : decimal(value));
  return (
    <label className="mt-3 flex items-center justify-between gap-4 text-small font-semibold">
      {rim ? `${label}, ${unitOf(rim)}` : label}
      <input
        inputMode="decimal"
        value={text}
        onChange={(e) => {
          setText(e.target.value);
          const v = rim ? typed(rim, e.target.value, value) : typedNumber(e.target.value);
          if (Number.isFinite(v)) onChange(v);
        }}
        className="figures min-h-11 w-28 rounded-key border border-line bg-quiet px-3 text-right text-body font-normal"
      />
    </label>
  );
}
