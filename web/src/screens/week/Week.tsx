import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState } from "react";
import { answer, api, asTrouble, type Week as WeekOf } from "../../api/client";
import { useWeek } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { Bottom } from "../../ui/Bottom";
import { Pop } from "../../ui/Pop";
import { useNow } from "../../ui/useNow";
import { useWide } from "../../ui/useWide";
import { Beside } from "./Beside";
import { Board } from "./Board";
import { plus, short, today, weekday } from "./days";
import { Opened } from "./Opened";
import { useGone } from "../../ui/gone";

const COUNTS = ["none", "one", "two", "three", "four", "five", "six", "one a day"];

/** The household's rice meals of one week, as bowls on one board: how many to shift, to what, what to soak tonight, what to buy. */
export function Week() {
  const now = useNow();
  const [day, setDay] = useState(() => today(now));
  const [open, setOpen] = useState<number | null>(null);
  const wide = useWide();
  const gone = [...useGone()].map((key) => /^meal\/(\d+)$/.exec(key)?.[1]).find((id) => id !== undefined);
  const found = useWeek(day, gone === undefined ? undefined : Number(gone));
  const suggest = useChange("week", () => answer(api.POST("/api/week/suggest", { body: { start: day } })));
  const usual = useChange("week", () => answer(api.POST("/api/week/usual", { body: { start: day } })));
  const trouble = asTrouble(found.error) ?? asTrouble(suggest.error) ?? asTrouble(usual.error);
  const w = found.data;
  if (!w) return <Wrong trouble={trouble} className="mt-6" />;
  const opened = w.meals.find((m) => m.id === open);
  const left = Math.min(w.target, w.meals.length) - w.shifted;
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-start gap-x-3 gap-y-2">
        <div className="mr-auto">
          <h1 className="text-title" aria-live="polite">
            {w.meals.length === 0
              ? "No rice meal this week yet"
              : `${w.shifted} of ${w.meals.length} rice ${w.meals.length === 1 ? "meal" : "meals"} in another grain`}
          </h1>
          <p className="text-soft">the week of {short(w.start)}</p>
        </div>
        <Pace week={w} />
        <button
          type="button"
          aria-label="The week before"
          onClick={() => setDay(plus(w.start, -7))}
          className={keyLook()}
        >
          <ChevronLeft size={20} />
        </button>
        <button
          type="button"
          aria-label="The week after"
          onClick={() => setDay(plus(w.start, 7))}
          className={keyLook()}
        >
          <ChevronRight size={20} />
        </button>
      </div>
      <Wrong trouble={trouble} className="mt-2" />
      {w.meals.length === 0 && (
        <p className="mt-3 flex flex-wrap items-center gap-x-3 gap-y-2 text-lead">
          Put your usual rice meals on their days; I say which to shift, and to what.
          <Button kind="main" disabled={usual.isPending} onClick={() => usual.mutate(undefined)}>
            As in the last week
          </Button>
        </p>
      )}
      {left > 0 && (
        <p className="mt-3">
          <Button kind="main" disabled={suggest.isPending} onClick={() => suggest.mutate(undefined)}>
            Suggest {left === 1 ? "one" : left} more
          </Button>
        </p>
      )}
      <Board week={w} open={open} onOpen={setOpen} />
      {!wide && (
        <Bottom open={Boolean(opened)} onOpen={(on) => !on && setOpen(null)} title={opened ? weekday(opened.on) : ""}>
          {opened && <Opened key={opened.id} meal={opened} start={w.start} />}
        </Bottom>
      )}
      <div className="mt-8 grid gap-x-10 gap-y-6 min-[62.5rem]:grid-cols-[1.8fr_1fr]">
        {opened && wide ? (
          <Opened key={opened.id} meal={opened} start={w.start} />
        ) : (
          <p className="self-start text-lead text-soft">
            {w.meals.length > 0 && "Touch a bowl to open it; drag it to another day."}
          </p>
        )}
        <Beside week={w} />
      </div>
    </div>
  );
}

/** How many of the week's rice meals are wanted in another grain. */
function Pace({ week: w }: { week: WeekOf }) {
  const pace = useChange("week", (body: { per_week: number; grows: boolean }) =>
    answer(api.PUT("/api/week/pace", { body })),
  );
  return (
    <Pop
      label="How many to shift"
      trigger={
        <button type="button" className={keyLook()}>
          {w.per_week === 7 ? "one a day" : `${COUNTS[w.per_week] ?? w.per_week} a week`}
          {w.grows && ", growing"}
        </button>
      }
    >
      <h2 className="text-lead">How many rice meals in another grain?</h2>
      <div className="mt-2 flex flex-wrap gap-1.5">
        {COUNTS.map((said, n) => (
          <button
            key={said}
            type="button"
            aria-pressed={w.per_week === n}
            onClick={() => pace.mutate({ per_week: n, grows: w.grows })}
            className={`min-h-11 rounded-key border px-3 ${w.per_week === n ? "border-ink bg-ink text-ground" : "border-line"}`}
          >
            {said}
          </button>
        ))}
      </div>
      <label className="mt-3 flex min-h-11 items-center gap-2">
        <input
          type="checkbox"
          checked={w.grows}
          onChange={(e) => pace.mutate({ per_week: w.per_week, grows: e.target.checked })}
          className="h-6 w-6 accent-[var(--water)]"
        />
        one more each week
      </label>
      <Wrong trouble={asTrouble(pace.error)} className="mt-2" />
    </Pop>
  );
}
