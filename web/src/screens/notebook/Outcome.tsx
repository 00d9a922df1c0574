import { ToggleGroup } from "radix-ui";
import { answer, api, asTrouble, type Entry } from "../../api/client";
import { useChange } from "../../api/subjects";
import { Wrong } from "../../ui/bits";
import { SOFT, WET } from "./outcome";

/** How it came out, on two scales; each touch is kept at once. Large enough for the table after a meal. */
export function Outcome({ entry }: { entry: Entry }) {
  const change = useChange("notebook", (body: { wet?: number | null; soft?: number | null }) =>
    answer(api.PUT("/api/notebook/{entry_id}", { params: { path: { entry_id: entry.id } }, body })),
  );
  // what was touched shows at once, before the server has it
  const asked = change.isPending ? change.variables : {};
  const wet = asked.wet === undefined ? entry.wet : asked.wet;
  const soft = asked.soft === undefined ? entry.soft : asked.soft;
  return (
    <div className="space-y-3">
      <Scale label="From dry to wet" words={WET} value={wet} set={(wet) => change.mutate({ wet })} />
      <Scale label="From hard to mush" words={SOFT} value={soft} set={(soft) => change.mutate({ soft })} />
      <Wrong trouble={asTrouble(change.error)} />
    </div>
  );
}

export function Scale({
  label,
  words,
  value,
  set,
}: {
  label: string;
  words: readonly string[];
  value: number | null;
  set: (v: number | null) => void;
}) {
  return (
    <ToggleGroup.Root
      type="single"
      aria-label={label}
      value={value === null ? "" : String(value)}
      onValueChange={(v) => set(v === "" ? null : Number(v))}
      className="grid grid-cols-5 overflow-hidden rounded-key border border-line"
    >
      {words.map((word, i) => (
        <ToggleGroup.Item
          key={word}
          value={String(i - 2)}
          className="min-h-14 border-l border-line px-1 text-small leading-tight first:border-l-0 data-[state=on]:bg-ink data-[state=on]:font-bold data-[state=on]:text-sheet"
        >
          {word}
        </ToggleGroup.Item>
      ))}
    </ToggleGroup.Root>
  );
}
