import { useMutation } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, type GrainPage } from "../../api/client";
import { quarters } from "../../job/words";
import { Button, Wrong } from "../../ui/bits";
import { decimal } from "../../job/manner";
import { said, shown, typed, unitOf } from "../../job/rim";

type Question = "water" | "depth" | "fill" | "feel";
const QUESTIONS: [Question, string][] = [
  ["water", "I have this much water"],
  ["depth", "the water stands this high"],
  ["fill", "I fill this pot"],
  ["feel", "this much of both"],
];

// what the fields hold at first: ml, and cm
const FIRST = { water: 500, depth: 1.5, pot: 20 };

/** Asked the other way: from water, depth or pot to the grain; from both to the texture. */
export function OtherWay({ g }: { g: GrainPage }) {
  const [question, setQuestion] = useState<Question>("water");
  const [water, setWater] = useState(() => shown("water", FIRST.water));
  const [depth, setDepth] = useState(() => shown("width", FIRST.depth));
  const [dry, setDry] = useState(() => shown("water", g.measure_ml));
  const [cm, setCm] = useState(() => shown("width", FIRST.pot));
  const ask = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/grains/{slug}/other-way", {
          params: { path: { slug: g.slug } },
          body: {
            water_ml: question === "water" || question === "feel" ? typed("water", water, FIRST.water) || 0 : null,
            depth_cm: question === "depth" ? typed("width", depth, FIRST.depth) || 0 : null,
            fill: question === "fill",
            dry_ml: question === "feel" ? typed("water", dry, g.measure_ml) || 0 : null,
            pot_cm: typed("width", cm, FIRST.pot) || 0,
          },
        }),
      ),
  });
  const found = ask.data;
  const input = "figures min-h-11 w-24 rounded-key border border-line bg-sheet px-3 text-right text-body";
  return (
    <section className="mt-8" aria-label="The other way round">
      <h2 className="mb-2 text-head">The other way round</h2>
      <div role="group" aria-label="What you know" className="mb-3 flex flex-wrap gap-1.5">
        {QUESTIONS.map(([q, word]) => (
          <button
            key={q}
            type="button"
            aria-pressed={question === q}
            onClick={() => {
              setQuestion(q);
              ask.reset();
            }}
            className={`min-h-11 rounded-key border bg-sheet px-3 text-small ${question === q ? "border-ink font-bold outline outline-1 outline-ink" : "border-line"}`}
          >
            {word}
          </button>
        ))}
      </div>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          ask.mutate();
        }}
        className="flex flex-wrap items-center gap-x-4 gap-y-2 text-small"
      >
        {(question === "water" || question === "feel") && (
          <label>
            <input value={water} inputMode="decimal" onChange={(e) => setWater(e.target.value)} className={input} />{" "}
            {unitOf("water")} of water
          </label>
        )}
        {question === "feel" && (
          <label>
            <input value={dry} inputMode="decimal" onChange={(e) => setDry(e.target.value)} className={input} />{" "}
            {unitOf("water")} of grain
          </label>
        )}
        {question === "depth" && (
          <label>
            <input value={depth} inputMode="decimal" onChange={(e) => setDepth(e.target.value)} className={input} />{" "}
            {unitOf("width")} above the grain
          </label>
        )}
        <label>
          in a pot <input value={cm} inputMode="decimal" onChange={(e) => setCm(e.target.value)} className={input} />{" "}
          {unitOf("width")} wide
        </label>
        <Button kind="main" type="submit" disabled={ask.isPending}>
          Reckon
        </Button>
      </form>
      <Wrong trouble={asTrouble(ask.error)} className="mt-3" />
      {found && (
        <p className="mt-4 text-body" aria-live="polite">
          <span className="poster mr-2 text-number">
            {question === "feel" ? found.texture_word : shown("weight", found.dry.g)}
          </span>
          {question === "feel" ? (
            <>is what it comes out as: 1 to {decimal(found.water.ratio_by_volume)} by volume.</>
          ) : (
            <>
              {unitOf("weight")} of {g.name} ({quarters(Math.round((found.dry.ml / g.measure_ml) * 4) / 4)} of your{" "}
              {g.measure_name}), and {said("water", found.water.pour_ml)} to pour; {found.texture_word},{" "}
              {found.time.cook.typical} minutes.
            </>
          )}
        </p>
      )}
    </section>
  );
}
