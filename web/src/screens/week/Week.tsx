import { ChevronLeft, ChevronRight } from "lucide-react";
import { useState, type DragEvent } from "react";
import { Link, useNavigate } from "react-router";
import { answer, api, asTrouble, type WeekMeal } from "../../api/client";
import { useHomeChange, useMembers, useRecipes, useWeek } from "../../api/queries";
import { Swatch } from "../../job/Hatch";
import { minutes } from "../../job/words";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { useNow } from "../../ui/useNow";
import { bring, choice, FIRST_CHOICE } from "../draft";
import { tonight } from "../plan/tonight";
import { plus, short, today, week, weekday } from "./days";

/** The household's rice meals of one week: how many to shift, to what, what to soak tonight, what to buy. */
export function Week() {
  const now = useNow();
  const [day, setDay] = useState(() => today(now));
  const found = useWeek(day);
  const suggest = useHomeChange(() => answer(api.POST("/api/week/suggest", { body: { start: day } })));
  const usual = useHomeChange(() => answer(api.POST("/api/week/usual", { body: { start: day } })));
  const pace = useHomeChange((body: { per_week: number; grows: boolean }) => answer(api.PUT("/api/week/pace", { body })));
  const move = useHomeChange((m: { id: number; on: string }) => answer(api.PUT("/api/week/meals/{meal_id}", { params: { path: { meal_id: m.id } }, body: { on: m.on } })));
  const trouble = asTrouble(found.error) ?? asTrouble(suggest.error) ?? asTrouble(usual.error) ?? asTrouble(pace.error) ?? asTrouble(move.error);
  const [over, setOver] = useState("");
  const w = found.data;
  if (!w) return <Wrong trouble={trouble} className="mt-6" />;
  const drop = (on: string) => (e: DragEvent) => {
    e.preventDefault();
    setOver("");
    const id = Number(e.dataTransfer.getData("text/plain"));
    if (id && w.meals.some((m) => m.id === id && m.on !== on)) move.mutate({ id, on });
  };
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-2">
        <h1 className="text-[27px]">The week of {short(w.start)}</h1>
        <span className="mr-auto">
          <button type="button" aria-label="The week before" onClick={() => setDay(plus(w.start, -7))} className="mr-1 inline-grid h-11 w-11 place-items-center rounded-key border border-line bg-sheet">
              <ChevronLeft size={20} />
            </button>
            <button type="button" aria-label="The week after" onClick={() => setDay(plus(w.start, 7))} className="inline-grid h-11 w-11 place-items-center rounded-key border border-line bg-sheet">
              <ChevronRight size={20} />
            </button>
        </span>
        <label className="text-[15px] font-semibold">
          Shift a week
          <select value={w.per_week} onChange={(e) => pace.mutate({ per_week: Number(e.target.value), grows: w.grows })} className="ml-2 min-h-11 rounded-key border border-line bg-sheet px-2 font-normal">
            {[0, 1, 2, 3, 4, 5, 6, 7].map((n) => (
              <option key={n} value={n}>
                {n === 0 ? "none" : n === 7 ? "one a day" : n}
              </option>
            ))}
          </select>
        </label>
        <label className="flex min-h-11 items-center gap-2 text-[15px]">
          <input type="checkbox" checked={w.grows} onChange={(e) => pace.mutate({ per_week: w.per_week, grows: e.target.checked })} className="h-6 w-6 accent-[var(--water)]" />
          one more each week
        </label>
      </div>
      <p className="mt-1 text-[17px]">
        <strong className="figures text-[24px]">{w.shifted}</strong> of {w.meals.length} rice {w.meals.length === 1 ? "meal" : "meals"} shifted
        {w.shifted < w.target && w.meals.length > w.shifted && `, ${w.target} wanted`}.
        <span className="ml-3 inline-flex flex-wrap gap-2">
          {w.shifted < Math.min(w.target, w.meals.length) && (
            <Button kind="main" disabled={suggest.isPending} onClick={() => suggest.mutate(undefined)}>
              Suggest
            </Button>
          )}
          {w.meals.length === 0 && (
            <Button disabled={usual.isPending} onClick={() => usual.mutate(undefined)}>
              As in the last week
            </Button>
          )}
        </span>
      </p>
      <Wrong trouble={trouble} className="mt-2" />
      {w.tonight.length > 0 && (
        <p className="mt-3 border-l-4 border-mark bg-sheet px-3 py-2 text-[18px]">
          <strong>Tonight:</strong> {w.tonight.join(" ")}
        </p>
      )}
      <ol className="m-0 mt-3 grid list-none gap-2 p-0 min-[1000px]:grid-cols-7" aria-label="Days">
        {week(w.start).map((d) => (
          <li
            key={d}
            onDragOver={(e) => {
              e.preventDefault();
              setOver(d);
            }}
            onDragLeave={() => setOver("")}
            onDrop={drop(d)}
            className={`rounded-sheet border p-2.5 min-[1000px]:min-h-[230px] ${over === d ? "border-water bg-quiet" : d === w.today ? "border-ink bg-sheet" : "border-line bg-sheet"}`}
          >
            <p className="mb-1 flex items-baseline justify-between">
              <strong className="text-[16px]">{weekday(d)}</strong>
              <span className="text-[14px] text-soft">{short(d)}</span>
            </p>
            {w.meals
              .filter((m) => m.on === d)
              .map((m) => (
                <One key={m.id} meal={m} />
              ))}
            <Add on={d} />
          </li>
        ))}
      </ol>
      <Shopping wanted={w.shopping} day={w.start} />
    </div>
  );
}

/** Before the noun: as it was in grey when it is shifted, as it becomes large. */
function One({ meal: m }: { meal: WeekMeal }) {
  const go = useNavigate();
  const members = useMembers();
  const path = { meal_id: m.id };
  const change = useHomeChange((body: { on?: string; cook_id?: number | null; shifted?: boolean; double?: boolean; minutes?: number | null }) => answer(api.PUT("/api/week/meals/{meal_id}", { params: { path }, body })));
  const off = useHomeChange(() => answer(api.DELETE("/api/week/meals/{meal_id}", { params: { path } })));
  const keep = useHomeChange(() => answer(api.POST("/api/week/meals/{meal_id}/keep", { params: { path } })));
  const [open, setOpen] = useState(false);
  const bench = async () => {
    const found = await answer(api.GET("/api/recipes/{recipe_id}", { params: { path: { recipe_id: m.recipe_id } } }));
    bring(found.text, found.id, found.corrections);
    choice.set({ ...FIRST_CHOICE, to: m.shifted ? m.grain : FIRST_CHOICE.to });
    void go("/bench");
  };
  const plan = () => keep.mutate(undefined, { onSuccess: (k) => { void tonight.change((d) => ({ ...d, ids: [String(k.shift_id)], changes: {}, pins: {} })); void go("/plan"); } });
  return (
    <div draggable onDragStart={(e) => e.dataTransfer.setData("text/plain", String(m.id))} className="mb-2 cursor-grab rounded-key border border-line bg-ground p-2">
      <button type="button" aria-expanded={open} onClick={() => setOpen(!open)} className="block w-full text-left">
        <span className="block text-[15.5px] font-semibold leading-tight">{m.title}</span>
        {m.shifted ? (
          <span className="mt-1 flex items-center gap-1.5 text-[14.5px]">
            <Swatch slug={m.grain.split("+")[0] ?? m.grain} className="h-5 w-7 shrink-0" />
            <span className="min-w-0">
              <span className="changed">{m.name}</span>
            </span>
          </span>
        ) : (
          <span className="mt-1 block text-[14.5px] text-soft">{m.trouble ? "not understood yet" : m.name}</span>
        )}
        {m.double && <span className="block text-[13.5px] text-soft">double</span>}
        {m.cook && <span className="block text-[13.5px] text-soft">{m.cook} cooks</span>}
      </button>
      {open && (
        <div className="mt-2 space-y-1.5 text-[14.5px]">
          {m.reason && <p>{m.reason}</p>}
          {m.trouble && <p className="text-warn">{m.trouble}</p>}
          {m.shifted && m.pour_ml !== null && (
            <p className="figures">
              <strong>{m.pour_ml}</strong> ml, {minutes(m.total_min ?? 0)}
            </p>
          )}
          <label className="block">
            Who cooks
            <select value={m.cook_id ?? ""} onChange={(e) => change.mutate({ cook_id: e.target.value ? Number(e.target.value) : null })} className="mt-0.5 min-h-11 w-full rounded-key border border-line bg-sheet px-1">
              <option value="">anybody</option>
              {members.data?.map((x) => (
                <option key={x.id} value={x.id}>
                  {x.name}
                </option>
              ))}
            </select>
          </label>
          <label className="block">
            Time that evening
            <select value={m.minutes ?? ""} onChange={(e) => change.mutate({ minutes: e.target.value ? Number(e.target.value) : null })} className="mt-0.5 min-h-11 w-full rounded-key border border-line bg-sheet px-1">
              <option value="">enough</option>
              {[20, 30, 45, 60, 90].map((n) => (
                <option key={n} value={n}>
                  {n} min
                </option>
              ))}
            </select>
          </label>
          <label className="flex min-h-11 items-center gap-2">
            <input type="checkbox" checked={m.double} onChange={(e) => change.mutate({ double: e.target.checked })} className="h-6 w-6 shrink-0 accent-[var(--water)]" />
            cook double, half to freeze or for tomorrow
          </label>
          <label className="block">
            Day
            <select value={m.on} onChange={(e) => change.mutate({ on: e.target.value })} className="mt-0.5 min-h-11 w-full rounded-key border border-line bg-sheet px-1">
              {[-6, -5, -4, -3, -2, -1, 0, 1, 2, 3, 4, 5, 6].map((n) => (
                <option key={n} value={plus(m.on, n)}>
                  {weekday(plus(m.on, n))}, {short(plus(m.on, n))}
                </option>
              ))}
            </select>
          </label>
          <Wrong trouble={asTrouble(change.error) ?? asTrouble(off.error) ?? asTrouble(keep.error)} />
          <div className="flex flex-wrap gap-1">
            {m.shifted && (
              <Button kind="main" className="w-full px-2" onClick={plan}>
                Plan it
              </Button>
            )}
            <Button className="flex-1 px-2" onClick={() => void bench()}>
              Bench
            </Button>
            {m.shifted && (
              <Button className="flex-1 px-2" onClick={() => change.mutate({ shifted: false })}>
                Rice
              </Button>
            )}
            <Button kind="quiet" className="w-full" onClick={() => off.mutate(undefined)}>
              Off the week
            </Button>
          </div>
        </div>
      )}
    </div>
  );
}

function Add({ on }: { on: string }) {
  const recipes = useRecipes();
  const add = useHomeChange((recipe_id: number) => answer(api.POST("/api/week/meals", { body: { on, recipe_id } })));
  return (
    <>
      <select aria-label={`A rice meal for ${weekday(on)}`} value="" onChange={(e) => e.target.value && add.mutate(Number(e.target.value))} className="min-h-11 w-full rounded-key border border-dashed border-line bg-transparent px-1 text-[15px] text-soft">
        <option value="">a rice meal…</option>
        {recipes.data?.map((r) => (
          <option key={r.id} value={r.id}>
            {r.title}
          </option>
        ))}
      </select>
      <Wrong trouble={asTrouble(add.error)} className="mt-1" />
    </>
  );
}

function Shopping({ wanted, day }: { wanted: { text: string; dishes: string[] }[]; day: string }) {
  if (wanted.length === 0) return null;
  return (
    <section aria-label="Shopping" className="mt-6 border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="mr-auto text-[21px]">To buy</h2>
        <a className={keyLook()} href={`/api/week/shopping.txt?day=${day}`}>
          As text
        </a>
        <a className={keyLook()} href={`/api/week/shopping.csv?day=${day}`}>
          As CSV
        </a>
        <a className={keyLook()} href={`/api/week.ics?day=${day}`}>
          Week into the calendar
        </a>
        <Button onClick={() => window.print()}>Print</Button>
      </div>
      <ul className="m-0 mt-2 grid list-none gap-x-8 p-0 min-[760px]:grid-cols-2">
        {wanted.map((w) => (
          <li key={w.text} className="dotted py-1.5 text-[16px]">
            {w.text} <span className="text-[14px] text-soft">{w.dishes.join(", ")}</span>
          </li>
        ))}
      </ul>
      <p className="mt-2 text-[14.5px] text-soft">
        Grain is what the <Link to="/larder">larder</Link> lacks; the rest as the recipes have it: look what is there already.
      </p>
    </section>
  );
}
