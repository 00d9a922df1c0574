import { Slider } from "radix-ui";
import { useState } from "react";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { answer, api, asTrouble, type Judged, type TrainingTask } from "../../api/client";
import { changed, useChange } from "../../api/subjects";
import { Swatch } from "../../job/Hatch";
import { PotCurve } from "../../job/PotCurve";
import { PotTable } from "../../job/PotTable";
import { quarters } from "../../job/words";
import { Button, Wrong } from "../../ui/bits";

/** The practice pot: guess water and minutes, see it dry, burn or drown where it costs nothing. */
export function Training() {
  const client = useQueryClient();
  const task = useQuery({
    queryKey: ["training"],
    queryFn: () => answer(api.GET("/api/training")),
    staleTime: Infinity,
  });
  const again = () => void changed(client, "practice");
  return (
    <div className="pt-5">
      <h1 className="text-title">Practice pot</h1>
      <Wrong trouble={asTrouble(task.error)} className="mt-3" />
      {task.data && <One key={task.dataUpdatedAt} task={task.data} again={again} />}
    </div>
  );
}

function One({ task, again }: { task: TrainingTask; again: () => void }) {
  const step = task.unit === "cup" ? task.unit_ml / 4 : 10;
  const [pour, setPour] = useState(Math.round(task.dry_ml / step) * step);
  const [min, setMin] = useState(15);
  const guess = useChange([], () =>
    answer(
      api.POST("/api/training", {
        body: {
          grain: task.grain,
          dry_ml: task.dry_ml,
          pot_cm: task.pot_cm,
          lid: task.lid,
          texture: task.texture,
          pour_ml: pour,
          minutes: min,
        },
      }),
    ),
  );
  const judged = guess.data;
  const error = judged ? judged.error : task.error;
  return (
    <>
      <div className="mt-3 flex flex-wrap items-center gap-4">
        <Swatch slug={task.grain} className="h-14 w-20" />
        <p className="max-w-[34ch] text-head font-[650] leading-snug">{task.said}</p>
        {error !== null && (
          <p className="ml-auto text-small text-soft">
            your last {Math.min(10, judged ? judged.tries : task.tries)}:{" "}
            <strong className="figures text-ink">{Math.round(error * 100)} %</strong> off on average
          </p>
        )}
      </div>
      <div className="mt-4 grid items-start gap-6 min-[62.5rem]:grid-cols-[360px_minmax(0,1fr)]">
        <div>
          <Guess
            label="Water"
            unit={task.unit === "cup" ? (pour > task.unit_ml ? "cups" : "cup") : "ml"}
            value={pour}
            shown={task.unit === "cup" ? quarters(pour / task.unit_ml) : undefined}
            most={task.dry_ml * 5}
            step={step}
            set={setPour}
            still={judged !== undefined}
            told={judged?.pour_said}
          />
          <Guess
            label="At the boil"
            unit="min"
            value={min}
            most={90}
            step={1}
            set={setMin}
            still={judged !== undefined}
            told={judged && String(judged.cook_min)}
          />
          <Wrong trouble={asTrouble(guess.error)} className="mt-2" />
          {judged ? (
            <Button kind="main" className="mt-3 min-h-16 w-full text-lead" onClick={again}>
              Another pot
            </Button>
          ) : (
            <Button
              kind="main"
              className="mt-3 min-h-16 w-full text-lead"
              disabled={guess.isPending}
              onClick={() => guess.mutate(undefined)}
            >
              Cook it
            </Button>
          )}
        </div>
        <div aria-live="polite">
          {judged ? (
            <Came judged={judged} minutes={min} />
          ) : (
            <p className="max-w-[40ch] pt-2 text-body text-soft">
              Say how much you would pour and how long it cooks. Then the simulated pot cooks it your way.
            </p>
          )}
        </div>
      </div>
    </>
  );
}

function Guess({
  label,
  unit,
  value,
  shown,
  most,
  step,
  set,
  still,
  told,
}: {
  label: string;
  unit: string;
  value: number;
  shown?: string;
  most: number;
  step: number;
  set: (n: number) => void;
  still: boolean;
  told?: string;
}) {
  return (
    <div className="mb-4">
      <p className="flex items-baseline gap-3" id={`guess-${unit}`}>
        <span className="sr-only">{label}</span>
        <span className="poster text-poster">{shown ?? value}</span>
        <span className="text-lead font-semibold">
          {unit} {label.toLowerCase()}
        </span>
        {told !== undefined && <span className="changed ml-auto figures text-lead font-bold">{told}</span>}
      </p>
      <Slider.Root
        className="relative flex h-11 w-full touch-none items-center"
        min={0}
        max={most}
        step={step}
        value={[value]}
        disabled={still}
        onValueChange={([v]) => set(v ?? 0)}
      >
        <Slider.Track className="relative h-[8px] w-full grow rounded-full bg-line">
          <Slider.Range className="absolute h-full rounded-full bg-water" />
        </Slider.Track>
        <Slider.Thumb
          aria-label={`${label}, ${unit}`}
          aria-valuetext={shown && `${shown} ${unit}`}
          className="reach block h-8 w-8 rounded-full border-[3px] border-sheet bg-ink outline outline-2 outline-ink"
        />
      </Slider.Root>
    </div>
  );
}

function Came({ judged: j, minutes }: { judged: Judged; minutes: number }) {
  const right = j.run.verdict.code === "right";
  return (
    <>
      <p className={`font-show text-show font-[700] leading-tight tracking-[-0.02em] ${right ? "" : "text-warn"}`}>
        {j.run.verdict.said}
      </p>
      <p className="mt-1 text-body">{j.run.verdict.text}</p>
      <p className="mt-2 text-body font-semibold">{j.said}</p>
      <div className="mt-3">
        <PotCurve plan={j.plan} run={j.run} minutes={minutes} look={[j.look[0] ?? 0, j.look[1] ?? 0]} />
        <PotTable curve={j.run.curve} />
      </div>
      <ul className="m-0 mt-2 list-none p-0 text-body" aria-label="Why">
        {j.why.map((w) => (
          <li key={w} className="dotted figures py-1">
            {w}
          </li>
        ))}
      </ul>
      <p className="mt-2 text-body">
        <strong className="changed">Look</strong> {j.sign}
      </p>
    </>
  );
}
