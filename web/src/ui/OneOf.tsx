import { ToggleGroup } from "radix-ui";

/** One of a few words, each to be touched. of: value and word. */
export function OneOf({
  label,
  of,
  now,
  set,
  className = "mt-3",
}: {
  label: string;
  of: [string, string][];
  now: string;
  set: (value: string) => void;
  className?: string;
}) {
  return (
    <div className={className}>
      <p className="text-small font-semibold">{label}</p>
      {/* an item of a toggle group needs a value of its own, and ours may be the empty one */}
      <ToggleGroup.Root
        type="single"
        aria-label={label}
        value={`w${now}`}
        onValueChange={(v) => v !== "" && set(v.slice(1))}
        className="mt-1 flex flex-wrap gap-2"
      >
        {of.map(([value, word]) => (
          <ToggleGroup.Item
            key={value}
            value={`w${value}`}
            className="min-h-11 rounded-key border border-line bg-sheet px-3 text-small hover:border-water data-[state=on]:border-ink data-[state=on]:bg-ink data-[state=on]:font-semibold data-[state=on]:text-sheet"
          >
            {word}
          </ToggleGroup.Item>
        ))}
      </ToggleGroup.Root>
    </div>
  );
}
