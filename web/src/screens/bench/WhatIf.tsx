import { Slider, ToggleGroup } from "radix-ui";
import { useState } from "react";
import { asTrouble, type Choice, type Pot } from "../../api/client";
import { useWhatIf, type What } from "../../api/queries";
import { PotCurve } from "../../job/PotCurve";
import { PotTable } from "../../job/PotTable";
import { pourSaid } from "../../job/words";
import { Button, Wrong } from "../../ui/bits";
import { useSettled } from "../../ui/useSettled";
import { draft } from "../draft";

const AS_PLANNED: What = { pour_ml: null, minutes: null, lid: null };
const LIDS: [NonNullable<Choice["lid"]>, string][] = [
  ["sealed", "sealed"],
  ["tight", "tight"],
  ["ordinary", "ordinary"],
  ["ajar", "ajar"],
  ["open", "none"],
];

/** What if: another pour, other minutes, another lid; the pot by the minute and what comes of it. */
export function WhatIf({ pot, choice }: { pot: Pot; choice: Choice }) {
  const [now] = draft.use();
  const [what, setWhat] = useState<What>(AS_PLANNED);
  const asked = useSettled(what, 60);
  const runs = useWhatIf(now.text, now.corrections, choice, asked);
  const pour = what.pour_ml ?? pot.water.pour_ml;
  const minutes = what.minutes ?? pot.time.cook.typical;
  const lid = what.lid ?? (pot.lid as Choice["lid"]);
  const changed = what.pour_ml !== null || what.minutes !== null || what.lid !== null;
  const trouble = asTrouble(runs.error);
  const found = runs.data;
  const verdict = found?.changed.verdict;
  // while it slides the answer is of another pour: the millilitres are right at once
  const fresh = asked.pour_ml === what.pour_ml && !runs.isPlaceholderData;
  const said = pourSaid(
    pour,
    fresh && found ? found.pour_said : what.pour_ml === null ? pot.water.pour_said : { amount: pour, unit: "ml" },
  );
  const lidded = ["covered", "open", "off-heat", "oven"].includes(pot.method);
  return (
    <section aria-label="What if" className="mt-5 rounded-sheet border border-line bg-sheet p-5">
      <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
        <h2 className="text-head">What if…</h2>
        <p className="text-small text-soft">
          pour more or less, take it off sooner or later, change the lid: see it dry, burn or drown before it does.
        </p>
        {changed && (
          <Button kind="quiet" className="ml-auto" onClick={() => setWhat(AS_PLANNED)}>
            As planned
          </Button>
        )}
      </div>
      {/* what is wrong with the choice is said once, at the top of the bench */}
      {trouble && ["pour_ml", "minutes", "lid"].includes(trouble.where) && <Wrong trouble={trouble} className="mt-2" />}
      {found && (
        <div className="mt-3 grid gap-5 min-[62.5rem]:grid-cols-[minmax(0,1fr)_320px]">
          <div>
            <PotCurve
              plan={found.plan}
              run={found.changed}
              minutes={minutes}
              look={[pot.time.cook.low, pot.time.cook.high]}
              onMinutes={(n) => setWhat({ ...what, minutes: n })}
            />
            <PotTable curve={found.changed.curve} />
          </div>
          <div className="space-y-4">
            {verdict && (
              <div aria-live="polite">
                <p
                  className={`font-show text-title leading-tight font-[700] tracking-[-0.02em] ${verdict.code === "right" ? "" : "text-warn"}`}
                >
                  {verdict.said}
                </p>
                <p className="mt-1 text-small leading-snug">{verdict.text}</p>
              </div>
            )}
            <div>
              <p className="mb-1 flex justify-between text-small" id="what-pour">
                <span className="text-soft">poured</span>
                <span className="figures">
                  <strong>
                    {said.number} {said.unit}
                  </strong>
                  {said.also && <span className="text-soft">, {said.also}</span>}
                </span>
              </p>
              <Slider.Root
                className="relative flex h-8 w-full touch-none items-center"
                min={0}
                max={Math.max(200, Math.round((pot.water.pour_ml * 2) / 10) * 10)}
                step={10}
                value={[pour]}
                onValueChange={([v]) => setWhat({ ...what, pour_ml: v ?? 0 })}
              >
                <Slider.Track className="relative h-[6px] w-full grow rounded-full bg-line">
                  <Slider.Range className="absolute h-full rounded-full bg-water" />
                </Slider.Track>
                <Slider.Thumb
                  aria-labelledby="what-pour"
                  aria-valuetext={`${pour} millilitres poured`}
                  className="reach block h-6 w-6 rounded-full border-[3px] border-sheet bg-ink outline outline-2 outline-ink"
                />
              </Slider.Root>
            </div>
            {lidded && (
              <div>
                <p className="mb-1 text-small text-soft">lid</p>
                <ToggleGroup.Root
                  type="single"
                  value={lid ?? ""}
                  onValueChange={(v) => v && setWhat({ ...what, lid: v as Choice["lid"] })}
                  aria-label="What if the lid were"
                  className="flex flex-wrap gap-1"
                >
                  {LIDS.map(([l, word]) => (
                    <ToggleGroup.Item
                      key={l}
                      value={l}
                      className={`min-h-11 flex-1 rounded-key border px-2 text-small ${lid === l ? "border-ink font-bold outline outline-1 outline-ink" : "border-line"}`}
                    >
                      {word}
                    </ToggleGroup.Item>
                  ))}
                </ToggleGroup.Root>
              </div>
            )}
          </div>
        </div>
      )}
    </section>
  );
}
