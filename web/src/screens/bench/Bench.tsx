import { SlidersHorizontal } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "../../ui/route";
import { answer, api, asTrouble, type Choice, type Shift } from "../../api/client";
import { useGrains, useGuest, useReading, useSession, useShift } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Jug } from "../../job/Jug";
import { Strip } from "../../job/Strip";
import { Bottom } from "../../ui/Bottom";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { useNow } from "../../ui/useNow";
import { useWide } from "../../ui/useWide";
import { choice as choiceStore, draft } from "../draft";
import { AmountControl } from "./controls/Amount";
import type { ControlProps } from "./controls/control";
import { GrainControl } from "./controls/Grain";
import { PotControl } from "./controls/Pot";
import { SoakControl } from "./controls/Soak";
import { TextureControl } from "./controls/Texture";
import { After, Before, Mind } from "./Pages";
import { Doubts } from "../bring/Doubts";
import { Poster } from "./Poster";
import { WhatIf } from "./WhatIf";

export function Bench() {
  const [now] = draft.use();
  const [choice, setChoice] = choiceStore.use();
  const guest = useGuest();
  const session = useSession();
  const grains = useGrains();
  const reading = useReading(now.text, now.corrections);
  const shift = useShift(now.text, now.corrections, choice);
  // a choice that cannot be is refused; the last good reckoning stays on the page
  const [last, setLast] = useState<Shift>();
  if (shift.data && shift.data !== last) setLast(shift.data);
  const [controls, setControls] = useState(false);
  const wide = useWide();
  const clockNow = useNow();
  const go = useNavigate();
  const keep = useChange("recipes", (body: { choice: Choice }) =>
    answer(
      api.POST("/api/shifts", {
        body: { text: now.text, corrections: now.corrections, recipe_id: now.recipeId, choice: body.choice },
      }),
    ),
  );

  if (now.text.trim() === "")
    return (
      <div className="pt-16 text-center">
        <h1 className="text-title">The bench is empty</h1>
        <p className="mb-5 mt-2 text-soft">Bring a recipe first; then choose its new grain here.</p>
        <Link to="/bring" className={keyLook("main")}>
          Bring a recipe
        </Link>
      </div>
    );

  const done = shift.data ?? last;
  const pot = done?.pots[0];
  const trouble = asTrouble(shift.error) ?? asTrouble(keep.error);
  const family = grains.data?.find((g) => g.slug === pot?.grain)?.family;
  // a grain that cannot do what the last one could: start from its own defaults again
  const set = (next: Choice) =>
    setChoice(
      next.to === choice.to
        ? next
        : {
            ...next,
            blend: [],
            texture: null,
            soak_min: null,
            method: null,
            lid: null,
            roast: null,
            release: "natural",
          },
    );
  const leave = (words: string) => {
    const had = choice.as_was ?? [];
    setChoice({ ...choice, as_was: had.includes(words) ? had.filter((w) => w !== words) : [...had, words] });
  };
  const props: ControlProps = { choice, set, grains: grains.data ?? [], shift: done, fromName: done?.from.name ?? "" };
  const keepIt = async () => {
    const kept = await keep.mutateAsync({ choice }).catch(() => null);
    if (kept) {
      draft.set({ ...now, recipeId: kept.recipe_id });
      go(`/kept/${kept.id}`);
    }
  };
  const keepButton = guest ? (
    <Link to="/" className={`${keyLook("main")} min-h-14 w-full text-center`}>
      {session.data?.may_found ? "Start a household to keep it" : "Sign in to keep it"}
    </Link>
  ) : (
    <Button
      kind="main"
      data-go
      className="min-h-14 w-full text-body"
      disabled={!done || !!shift.error || keep.isPending}
      onClick={() => void keepIt()}
    >
      Keep this shift
    </Button>
  );
  const wrong = trouble && (
    <div className="mt-4">
      <Wrong trouble={trouble} />
      <p className="mt-2 text-small">
        <Link to="/bring" className="font-semibold text-water">
          Back to the recipe
        </Link>
        {done && " or choose otherwise; the last good reckoning stands below."}
      </p>
    </div>
  );

  if (!wide)
    return (
      <div className="pb-40 pt-4">
        <h1 className="sr-only">Bench</h1>
        {wrong}
        {done && pot && reading.data && (
          <>
            <Sheet className="p-4 shadow-jug" aria-label="The jug">
              <Poster pot={pot} />
              {pot.jug && <Jug pot={pot} jug={pot.jug} family={family} />}
            </Sheet>
            <div className="mt-4">
              <Doubts reading={reading.data} most={3} />
            </div>
            <Sheet className="mt-4 p-4" aria-label="The recipe as it becomes">
              <After shift={done} withOld leave={leave} />
              <Mind shift={done} />
            </Sheet>
            <WhatIf key={`${choice.to}${pot.method}`} pot={pot} choice={choice} />
            <div className="mt-4">
              <Strip shift={done} now={clockNow} family={family} />
            </div>
          </>
        )}
        <div className="fixed inset-x-0 bottom-0 z-20 grid grid-cols-[1fr_1.2fr] gap-2 border-t border-line bg-ground px-4 pb-[max(12px,env(safe-area-inset-bottom))] pt-3">
          <Button className="min-h-14" onClick={() => setControls(true)}>
            <SlidersHorizontal size={18} aria-hidden /> Grain and pot
          </Button>
          {keepButton}
        </div>
        <Bottom open={controls} onOpen={setControls} title="Grain and pot">
          <div className="space-y-5">
            <GrainControl {...props} />
            <TextureControl {...props} />
            <PotControl {...props} />
            <SoakControl {...props} />
            <AmountControl {...props} />
          </div>
        </Bottom>
      </div>
    );

  return (
    <div className="pt-4">
      <h1 className="sr-only">Bench</h1>
      <div className="flex flex-wrap items-start gap-x-5 gap-y-3 *:shrink-0 *:nth-[2]:min-w-[14.375rem] *:nth-[2]:flex-1 *:nth-[3]:w-[11.625rem] *:nth-[4]:w-[11.125rem] *:nth-[5]:w-[10.25rem]">
        <GrainControl {...props} />
        <TextureControl {...props} />
        <PotControl {...props} />
        <SoakControl {...props} />
        <AmountControl {...props} />
      </div>
      {wrong}
      {done && pot && reading.data && (
        <>
          <div
            className={`mt-5 grid grid-cols-[minmax(0,1fr)_minmax(330px,404px)_minmax(0,1.12fr)] items-start ${shift.isPlaceholderData ? "opacity-95" : ""}`}
          >
            <section
              aria-label="The recipe as it was"
              className="mt-[30px] min-h-[520px] rounded-l-sheet border border-r-0 border-line bg-quiet p-6"
            >
              <Before reading={reading.data} />
              <div className="mt-5">
                <Doubts reading={reading.data} most={3} />
              </div>
            </section>
            <section
              aria-label="The jug"
              className="sticky top-3 z-10 rounded-[16px] border border-line bg-sheet px-6 pb-3 pt-5 shadow-jug"
            >
              <Poster pot={pot} />
              {pot.jug && <Jug pot={pot} jug={pot.jug} family={family} />}
            </section>
            <section
              aria-label="The recipe as it becomes"
              className="min-h-[540px] rounded-r-sheet border border-l-0 border-line bg-sheet p-6"
            >
              <After shift={done} leave={leave} />
              <Mind shift={done} />
            </section>
          </div>
          <WhatIf key={`${choice.to}${pot.method}`} pot={pot} choice={choice} />
          <div className="sticky bottom-0 z-20 -mx-7 mt-5 grid grid-cols-[minmax(0,1fr)_250px] items-center gap-6 border-t border-line bg-ground px-7 py-3">
            <Strip shift={done} now={clockNow} family={family} />
            {keepButton}
          </div>
        </>
      )}
    </div>
  );
}
