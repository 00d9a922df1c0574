import { CalendarPlus, CookingPot, Flame, Pin, PinOff, Printer } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "../../ui/route";
import { answer, api, asTrouble, type PlanTask, type PlanWay, type Trouble } from "../../api/client";
import { plannedAs, useAppliance, useKitchen, usePlan, useRecipes, useShifts } from "../../api/queries";
import { coatOf } from "../../job/grains";
import { Swatch } from "../../job/Hatch";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { useNow } from "../../ui/useNow";
import { useSettled } from "../../ui/useSettled";
import { useWide } from "../../ui/useWide";
import { newId } from "../stove/store";
import { dayName, onDay, zone } from "../../job/days";
import { next, stamp, timeOfDay } from "./clock";
import { Lanes } from "./Lanes";
import { NO_DINNER, useTonight } from "./tonight";
import { clock, dated } from "../../job/manner";

const day = (at: Date, now: Date) => (dayName(at, now) === "today" ? "" : ` ${dayName(at, now)}`);
// the days a dinner can be planned for
const DAYS = 6;

/** Tonight, worked back from the plate. */
export function Plan() {
  const shifts = useShifts();
  const kitchen = useKitchen();
  const recipes = useRecipes();
  const { dinner: d, set, trouble: shared, ready } = useTonight();
  const now = useNow();
  // what is being typed; the time itself where nothing is
  const [typed, setTyped] = useState<string | null>(null);
  const wide = useWide();
  const go = useNavigate();
  const [wrong, setWrong] = useState<Trouble | null>(null);
  const sides = (recipes.data ?? []).filter((r) => r.side);
  const dishes = [
    ...(shifts.data ?? []).map((s) => ({ key: String(s.id), title: s.title, grain: s.grain })),
    ...sides.map((r) => ({ key: `r${r.id}`, title: r.title, grain: null })),
  ];
  const ids = d.ids.filter((id) => dishes.some((x) => x.key === id));
  const serve = d.serve !== null ? new Date(d.serve) : (next("19:00", now) ?? now);
  const asked = useSettled(
    {
      dishes: ids.map((key) => ({ key, changes: d.changes[key]?.what ?? null })),
      serve_at: stamp(serve),
      now: stamp(now),
      zone: zone(),
      burners: d.burners,
      pinned: Object.entries(d.pins).map(([id, start]) => ({ id, start })),
    },
    120,
  );
  const plan = usePlan(asked);
  const trouble = asTrouble(plan.error);
  const burners = d.burners ?? (kitchen.data?.said ? kitchen.data.burners.length : 2);
  const serveAt = (at: Date) => {
    setTyped(null);
    set({ ...d, serve: stamp(at), pins: {} });
  };
  const wrongTime = typed !== null && timeOfDay(typed) === null;
  const type = (text: string) => {
    setTyped(text);
    const told = timeOfDay(text);
    if (!told) return;
    // on the day chosen; a time that has passed today is meant for tomorrow
    const at = onDay(serve, told);
    set({ ...d, serve: stamp(at > now ? at : (next(text, now) ?? at)), pins: {} });
  };
  const onTheDay = (days: number) => {
    const date = new Date(now);
    date.setDate(date.getDate() + days);
    serveAt(onDay(date, { hours: serve.getHours(), minutes: serve.getMinutes() }));
  };
  const calendar = async () => {
    const token = /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? "";
    const answer = await fetch("/api/plan.ics", {
      method: "POST",
      headers: { "Content-Type": "application/json", "X-CSRFToken": token },
      body: JSON.stringify(asked),
    });
    const link = document.createElement("a");
    link.href = URL.createObjectURL(await answer.blob());
    link.download = "dinner.ics";
    link.click();
    URL.revokeObjectURL(link.href);
  };
  const cook = async (speed: number) => {
    try {
      const made = await answer(api.POST("/api/cookings", { body: { ...asked, client_id: newId(), speed } }));
      // what is being cooked is not planned any more: no dish stays pressed by itself
      if (speed === 1) set({ ...NO_DINNER, burners: d.burners });
      go(`/stove/${made.id}`);
    } catch (fault) {
      setWrong(asTrouble(fault));
    }
  };
  const own = useAppliance();
  const told = trouble ?? wrong ?? asTrouble(own.error) ?? shared;
  const take = (way: PlanWay) => {
    if (way.kind === "own") return own.mutate(way.needs);
    if (way.kind === "later" && way.serve_at) return serveAt(new Date(way.serve_at));
    set({
      ...d,
      changes: { ...d.changes, [way.key]: { what: { ...d.changes[way.key]?.what, ...way.changes }, text: way.text } },
      pins: {},
    });
  };
  const undo = (id: string) =>
    set({ ...d, changes: Object.fromEntries(Object.entries(d.changes).filter(([k]) => k !== id)), pins: {} });
  const pin = (task: PlanTask, at: Date | null) => {
    const others = Object.fromEntries(Object.entries(d.pins).filter(([k]) => k !== task.id));
    set({ ...d, pins: at === null ? others : { ...others, [task.id]: stamp(at) } });
  };

  if (shifts.data?.length === 0 && recipes.data && sides.length === 0)
    return (
      <div className="pt-16 text-center">
        <h1 className="text-title">Nothing to plan yet</h1>
        <p className="mb-5 mt-2 text-soft">Keep a shift on the bench first; then plan it for tonight.</p>
        <Link to="/bench" className={keyLook("main")}>
          To the bench
        </Link>
      </div>
    );
  if (!ready) return null;
  const found = ids.length > 0 ? plan.data : undefined;
  const stale = found !== undefined && found.of !== plannedAs(asked);
  const hueOf = Object.fromEntries(
    (shifts.data ?? []).map((s) => [String(s.id), coatOf(s.grain.split("+")[0] ?? s.grain).hue]),
  );
  const changed = ids.filter((id) => d.changes[id]);
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div className="mr-auto">
          <h1 className="text-title">Plan</h1>
          {/* the line keeps its height: what stands below does not move under a finger when the hour comes */}
          {ids.length > 0 && (
            <p className="mt-2 flex min-h-14 items-baseline gap-3">
              {found?.start_at && (
                <>
                  <span className="poster text-poster">{clock(new Date(found.start_at))}</span>
                  <span className="text-body font-semibold">
                    is when you begin{day(new Date(found.start_at), now)}, for {clock(serve)}
                    {dayName(new Date(found.start_at), now) !== dayName(serve, now) && (day(serve, now) || " today")}
                  </span>
                </>
              )}
            </p>
          )}
        </div>
        <span className="flex flex-wrap items-end gap-2">
          <label className="flex items-center text-small font-semibold">
            Serve at
            <input
              value={typed ?? clock(serve)}
              aria-invalid={wrongTime}
              onChange={(e) => type(e.target.value)}
              onBlur={() => !wrongTime && setTyped(null)}
              className="figures ml-2 min-h-12 w-28 rounded-key border border-line bg-sheet px-3 text-center text-lead aria-[invalid=true]:border-warn"
            />
          </label>
          <label>
            <span className="sr-only">On which day</span>
            <select
              value={dayName(serve, now)}
              onChange={(e) => onTheDay(Number(e.target.selectedOptions[0]?.dataset.days ?? 0))}
              className="min-h-12 rounded-key border border-line bg-sheet px-2 text-body"
            >
              {daysFrom(now, serve).map(({ name, days }) => (
                <option key={name} value={name} data-days={days}>
                  {name}
                </option>
              ))}
            </select>
          </label>
        </span>
        <span className="flex items-center gap-2 print:hidden">
          <button
            type="button"
            aria-label="One burner fewer"
            disabled={burners <= 1}
            onClick={() => set({ ...d, burners: burners - 1 })}
            className="grid h-12 w-11 place-items-center rounded-key border border-line bg-sheet text-head disabled:opacity-40"
          >
            −
          </button>
          <output className="w-[84px] text-center text-small font-semibold">
            {burners} {burners === 1 ? "burner" : "burners"}
          </output>
          <button
            type="button"
            aria-label="One burner more"
            disabled={burners >= 8}
            onClick={() => set({ ...d, burners: burners + 1 })}
            className="grid h-12 w-11 place-items-center rounded-key border border-line bg-sheet text-head disabled:opacity-40"
          >
            +
          </button>
        </span>
      </div>
      {wrongTime && (
        <Wrong
          trouble={{
            code: "time",
            where: "serve_at",
            text: `“${typed}” is no time of day; write it as 19:00 or 7 pm.`,
          }}
          className="mt-3"
        />
      )}
      {told && <Wrong trouble={told} className="mt-3" />}
      <div role="group" aria-label="Which dishes" className="mt-4 flex flex-wrap gap-2 print:hidden">
        {dishes.map((s) => {
          const on = ids.includes(s.key);
          return (
            <button
              key={s.key}
              type="button"
              aria-pressed={on}
              onClick={() => set({ ...d, ids: on ? ids.filter((i) => i !== s.key) : [...ids, s.key], pins: {} })}
              className={`flex min-h-12 items-center gap-2 rounded-key border bg-sheet px-3 text-left text-small ${on ? "border-ink font-semibold outline outline-1 outline-ink" : "border-line hover:border-water"}`}
            >
              {s.grain ? (
                <Swatch slug={s.grain} className="h-5 w-7 shrink-0" />
              ) : (
                <CookingPot size={20} aria-hidden className="w-7 shrink-0 text-soft" />
              )}
              {s.title}
            </button>
          );
        })}
      </div>
      {ids.length === 0 && <p className="mt-4 text-soft">Touch the dishes for tonight.</p>}
      {ids.length > 0 && !found && !trouble && (
        <p role="status" className="mt-4 text-soft">
          Working back from {clock(serve)}…
        </p>
      )}
      {changed.map((id) => (
        <p key={id} className="mt-3 flex flex-wrap items-center gap-3 text-small">
          <span>
            <strong className="changed">{d.changes[id]?.text}</strong>, {dishes.find((s) => s.key === id)?.title}
          </span>
          <Button kind="quiet" onClick={() => undo(id)}>
            As it was
          </Button>
        </p>
      ))}
      {found?.problems.map((p, i) => {
        const ways = found.ways.filter((w) => w.dish === p.where);
        return (
          <div key={i} role="alert" className="mt-4 border-l-4 border-warn bg-warn-pale px-3 py-2 text-small">
            <p>
              {ways.length > 0
                ? p.text.replace(/: [^:]*$/, ways.length > 1 ? ". Any of these does:" : ". This does:")
                : p.text}
            </p>
            {ways.length > 0 && (
              <div className="mt-2 flex flex-wrap gap-2">
                {ways.map((w) => (
                  <Button key={w.text} onClick={() => take(w)}>
                    {w.text}
                  </Button>
                ))}
              </div>
            )}
          </div>
        );
      })}
      {stale && (
        <p role="status" className="sr-only">
          Working back from {clock(serve)}…
        </p>
      )}
      {found && found.tasks.length > 0 && (
        <div aria-busy={stale} className={stale ? "opacity-45 transition-opacity" : ""}>
          {wide && (
            <Sheet className="mt-4 p-4">
              <Lanes
                plan={found}
                serve={new Date(found.serve_at)}
                asked={serve}
                hues={hueOf}
                pins={d.pins}
                onServe={serveAt}
                onPin={pin}
              />
            </Sheet>
          )}
          <div className="sticky bottom-0 z-20 -mx-4 mt-3 flex flex-wrap gap-2 border-b border-line bg-ground px-4 py-3 min-[62.5rem]:static min-[62.5rem]:mx-0 min-[62.5rem]:px-0 print:hidden">
            <Button
              kind="main"
              data-go
              disabled={stale}
              className="min-h-14 flex-1 text-body min-[62.5rem]:flex-none min-[62.5rem]:px-8"
              onClick={() => void cook(1)}
            >
              <Flame size={19} aria-hidden /> Cook it
            </Button>
            <Button className="min-h-14" onClick={() => void cook(60)}>
              Practise, 60 times as fast
            </Button>
            <Button className="min-h-14" onClick={() => void calendar()}>
              <CalendarPlus size={18} aria-hidden /> Into the calendar
            </Button>
            {wide && (
              <Button className="min-h-14" onClick={() => window.print()}>
                <Printer size={18} aria-hidden /> Print
              </Button>
            )}
          </div>
          <ol className="m-0 mt-2 list-none p-0" aria-label="In order">
            {found.tasks.map((t) => {
              const held = t.id in d.pins;
              const start = new Date(t.start);
              return (
                <li
                  key={t.id}
                  className="dotted grid grid-cols-[auto_1fr_auto] items-center gap-x-4 py-1.5 min-[62.5rem]:grid-cols-[150px_1fr_290px_140px_auto]"
                >
                  <span className="figures text-body font-bold">
                    {start.toDateString() !== serve.toDateString() && (
                      <span className="block text-small font-semibold text-soft">
                        {dated(start, { weekday: "long" })}
                      </span>
                    )}
                    {clock(start)}
                    <span className="font-normal text-soft"> to {clock(new Date(t.end))}</span>
                  </span>
                  <span className="text-body">{t.what}</span>
                  <span className="col-start-2 text-small text-soft min-[62.5rem]:col-start-3">
                    {t.part ? `${t.part}: ${t.dish}` : t.dish}
                  </span>
                  <span className="col-start-2 text-small text-soft min-[62.5rem]:col-start-4">
                    {t.resource === "none" ? "" : t.resource}
                    {t.hands_on > 0 && `${t.resource === "none" ? "" : ", "}hands ${t.hands_on} min`}
                  </span>
                  <span className="col-start-3 row-span-3 row-start-1 flex min-[62.5rem]:col-start-5 min-[62.5rem]:row-span-1 print:hidden">
                    {held && (
                      <>
                        <button
                          type="button"
                          aria-label={`${t.what}: 5 minutes earlier`}
                          onClick={() => pin(t, new Date(start.getTime() - 300_000))}
                          className="h-11 w-10 text-small font-semibold text-water"
                        >
                          −5
                        </button>
                        <button
                          type="button"
                          aria-label={`${t.what}: 5 minutes later`}
                          onClick={() => pin(t, new Date(start.getTime() + 300_000))}
                          className="h-11 w-10 text-small font-semibold text-water"
                        >
                          +5
                        </button>
                      </>
                    )}
                    <button
                      type="button"
                      aria-pressed={held}
                      aria-label={held ? `Let go of ${t.what}` : `Pin ${t.what} at ${clock(start)}`}
                      onClick={() => pin(t, held ? null : start)}
                      className={`grid h-11 w-11 place-items-center rounded-key ${held ? "text-ink" : "text-soft hover:text-ink"}`}
                    >
                      {held ? <PinOff size={17} /> : <Pin size={17} />}
                    </button>
                  </span>
                </li>
              );
            })}
            <li className="py-3 font-show text-head font-[680]">
              {clock(serve)} to the table{day(serve, now)}
            </li>
          </ol>
        </div>
      )}
    </div>
  );
}

/** The days to choose from: the next ones, and the one chosen if it is another. */
function daysFrom(now: Date, chosen: Date): { name: string; days: number }[] {
  const out = Array.from({ length: DAYS }, (_, days) => {
    const at = new Date(now);
    at.setDate(at.getDate() + days);
    return { name: dayName(at, now), days };
  });
  const name = dayName(chosen, now);
  return out.some((d) => d.name === name)
    ? out
    : [...out, { name, days: Math.round((chosen.getTime() - now.getTime()) / 86_400_000) }];
}
