import { CalendarPlus } from "lucide-react";
import { useState } from "react";
import { Link } from "react-router";
import { asTrouble } from "../../api/client";
import { usePlan, useShifts } from "../../api/queries";
import { coatOf } from "../../job/grains";
import { Swatch } from "../../job/Hatch";
import { clock } from "../../job/words";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { kept } from "../../ui/kept";
import { useNow } from "../../ui/useNow";
import { useSettled } from "../../ui/useSettled";
import { useWide } from "../../ui/useWide";
import { next, stamp } from "./clock";
import { Lanes } from "./Lanes";

interface Dinner {
  ids: number[];
  serve: string;
  burners: number;
}
export const dinner = kept<Dinner>("mealshift.dinner", { ids: [], serve: "19:00", burners: 2 });

const day = (at: Date, now: Date) => (at.toDateString() === now.toDateString() ? "" : ` ${at.toLocaleDateString("en-GB", { weekday: "long" })}`);

/** Tonight, worked back from the plate. */
export function Plan() {
  const shifts = useShifts();
  const [d, set] = dinner.use();
  const [text, setText] = useState(d.serve);
  const now = useNow();
  const wide = useWide();
  const ids = d.ids.filter((id) => shifts.data?.some((s) => s.id === id));
  const serve = next(d.serve, now) ?? next("19:00", now) ?? now;
  const asked = useSettled({ shift_ids: ids, serve_at: stamp(serve), now: stamp(now), burners: d.burners }, 120);
  const plan = usePlan(asked);
  const trouble = asTrouble(plan.error);
  const serveAt = (at: Date) => {
    const said = clock(at);
    setText(said);
    set({ ...d, serve: said });
  };
  const wrongTime = next(text, now) === null;
  const calendar = async () => {
    const token = /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1] ?? "";
    const answer = await fetch("/api/plan.ics", { method: "POST", headers: { "Content-Type": "application/json", "X-CSRFToken": token }, body: JSON.stringify(asked) });
    const link = document.createElement("a");
    link.href = URL.createObjectURL(await answer.blob());
    link.download = "dinner.ics";
    link.click();
    URL.revokeObjectURL(link.href);
  };

  if (shifts.data?.length === 0)
    return (
      <div className="pt-16 text-center">
        <h1 className="text-[26px]">Nothing to plan yet</h1>
        <p className="mb-5 mt-2 text-soft">Keep a shift on the bench first; then plan it for tonight.</p>
        <Link to="/bench" className={keyLook("main")}>
          To the bench
        </Link>
      </div>
    );
  const found = ids.length > 0 ? plan.data : undefined;
  const hues = Object.fromEntries((shifts.data ?? []).map((s) => [s.title, coatOf(s.grain.split("+")[0] ?? s.grain).hue]));
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div className="mr-auto">
          <h1 className="text-[27px]">Plan</h1>
          {found?.start_at && (
            <p className="mt-2 flex items-baseline gap-3">
              <span className="poster text-[56px]">{clock(new Date(found.start_at))}</span>
              <span className="text-[17px] font-semibold">
                is when you begin{day(new Date(found.start_at), now)}, for {clock(serve)}
              </span>
            </p>
          )}
        </div>
        <label className="text-[15px] font-semibold">
          Serve at
          <input value={text} inputMode="numeric" aria-invalid={wrongTime} onChange={(e) => { setText(e.target.value); if (next(e.target.value, now)) set({ ...d, serve: e.target.value.trim() }); }} className="figures ml-2 min-h-12 w-24 rounded-key border border-line bg-sheet px-3 text-center text-[19px] aria-[invalid=true]:border-warn" />
        </label>
        <div role="group" aria-label="Burners" className="flex items-center gap-1 text-[15px]">
          {[1, 2, 3, 4].map((n) => (
            <button key={n} type="button" aria-pressed={d.burners === n} onClick={() => set({ ...d, burners: n })} className={`figures min-h-12 w-11 rounded-key border bg-sheet ${d.burners === n ? "border-ink font-bold outline outline-1 outline-ink" : "border-line"}`}>
              {n}
            </button>
          ))}
          <span className="ml-1 text-soft">burners</span>
        </div>
        {found && found.tasks.length > 0 && (
          <Button className="min-h-12" onClick={() => void calendar()}>
            <CalendarPlus size={18} aria-hidden /> Into the calendar
          </Button>
        )}
      </div>
      {wrongTime && <Wrong trouble={{ code: "time", where: "serve_at", text: `“${text}” is no time of day; write it as 19:00.` }} className="mt-3" />}
      {trouble && <Wrong trouble={trouble} className="mt-3" />}
      <div role="group" aria-label="Which dishes" className="mt-4 flex flex-wrap gap-2">
        {shifts.data?.map((s) => {
          const on = ids.includes(s.id);
          return (
            <button key={s.id} type="button" aria-pressed={on} onClick={() => set({ ...d, ids: on ? ids.filter((i) => i !== s.id) : [...ids, s.id] })} className={`flex min-h-12 items-center gap-2 rounded-key border bg-sheet px-3 text-left text-[15px] ${on ? "border-ink font-semibold outline outline-1 outline-ink" : "border-line hover:border-water"}`}>
              <Swatch slug={s.grain} className="h-5 w-7 shrink-0" />
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
      {found?.problems.map((p, i) => {
        const later = /serve at (\d\d:\d\d)/.exec(p.text)?.[1];
        return (
          <div key={i} role="alert" className="mt-4 flex flex-wrap items-center gap-3 border-l-4 border-warn bg-warn-pale px-3 py-2 text-[15px]">
            <span className="min-w-[240px] flex-1">{p.text}</span>
            {later && (
              <Button onClick={() => { setText(later); set({ ...d, serve: later }); }}>Serve at {later}</Button>
            )}
          </div>
        );
      })}
      {found && found.tasks.length > 0 && (
        <>
          {wide && (
            <Sheet className="mt-4 p-4">
              <Lanes plan={found} serve={new Date(found.serve_at)} hues={hues} onServe={serveAt} />
            </Sheet>
          )}
          <ol className="m-0 mt-4 list-none p-0" aria-label="In order">
            {found.tasks.map((t) => (
              <li key={t.id} className="dotted grid grid-cols-[auto_1fr] gap-x-4 py-2 min-[1000px]:grid-cols-[130px_1fr_300px_150px]">
                <span className="figures text-[17px] font-bold">
                  {clock(new Date(t.start))}
                  <span className="font-normal text-soft"> to {clock(new Date(t.end))}</span>
                </span>
                <span className="text-[16px]">{t.what}</span>
                <span className="col-start-2 text-[14px] text-soft min-[1000px]:col-start-3">{t.dish}</span>
                <span className="col-start-2 text-[14px] text-soft min-[1000px]:col-start-4">
                  {t.resource === "none" ? "" : t.resource}
                  {t.hands_on > 0 && `${t.resource === "none" ? "" : ", "}hands ${t.hands_on} min`}
                </span>
              </li>
            ))}
            <li className="py-3 font-show text-[22px] font-[680]">{clock(serve)} to the table</li>
          </ol>
        </>
      )}
    </div>
  );
}
