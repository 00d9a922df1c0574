import { Plus } from "lucide-react";
import { useState, type DragEvent } from "react";
import { answer, api, asTrouble, type WeekMeal, type Week } from "../../api/client";
import { useRecipes } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Wrong } from "../../ui/bits";
import { Pop } from "../../ui/Pop";
import { Bowl } from "./Bowl";
import { short, week, weekday } from "./days";

/** Seven days on one board, each with the bowls that stand on it: touched they open, dragged they move. */
export function Board({
  week: w,
  open,
  onOpen,
}: {
  week: Week;
  open: number | null;
  onOpen: (id: number | null) => void;
}) {
  const move = useChange("week", (m: { id: number; on: string }) =>
    answer(api.PUT("/api/week/meals/{meal_id}", { params: { path: { meal_id: m.id } }, body: { on: m.on } })),
  );
  const [over, setOver] = useState("");
  const drop = (on: string) => (e: DragEvent) => {
    e.preventDefault();
    setOver("");
    const id = Number(e.dataTransfer.getData("text/plain"));
    if (id && w.meals.some((m) => m.id === id && m.on !== on)) move.mutate({ id, on });
  };
  return (
    <>
      <Wrong trouble={asTrouble(move.error)} className="mt-2" />
      <ol className="m-0 mt-4 grid list-none gap-0 p-0 min-[62.5rem]:grid-cols-7" aria-label="Days">
        {week(w.start).map((d) => (
          <li
            key={d}
            onDragOver={(e) => {
              e.preventDefault();
              setOver(d);
            }}
            onDragLeave={() => setOver("")}
            onDrop={drop(d)}
            className={`grid grid-cols-[3.5rem_1fr_2.75rem] gap-x-2 border-b border-line min-[62.5rem]:flex min-[62.5rem]:flex-col min-[62.5rem]:border-0 ${over === d ? "bg-quiet" : ""}`}
          >
            <p
              className={`py-2 leading-tight min-[62.5rem]:py-0 min-[62.5rem]:pb-3 min-[62.5rem]:text-center ${d === w.today ? "font-bold text-water" : ""}`}
            >
              <strong>{weekday(d).slice(0, 3)}</strong> <span className="whitespace-nowrap">{short(d)}</span>
              {d === w.today && <span className="sr-only"> (today)</span>}
            </p>
            <Day day={d} meals={w.meals.filter((m) => m.on === d)} open={open} onOpen={onOpen} />
          </li>
        ))}
      </ol>
    </>
  );
}

function Day({
  day,
  meals,
  open,
  onOpen,
}: {
  day: string;
  meals: WeekMeal[];
  open: number | null;
  onOpen: (id: number | null) => void;
}) {
  return (
    <>
      <div className="flex min-w-0 flex-col gap-2 py-1 min-[62.5rem]:gap-4 min-[62.5rem]:py-0">
        {meals.map((m) => (
          <div
            key={m.id}
            draggable
            onDragStart={(e) => e.dataTransfer.setData("text/plain", String(m.id))}
            className="cursor-grab"
          >
            <button
              type="button"
              aria-expanded={open === m.id}
              onClick={() => onOpen(open === m.id ? null : m.id)}
              className="flex w-full items-center gap-3 text-left min-[62.5rem]:block min-[62.5rem]:text-center"
            >
              <span className="block w-16 shrink-0 min-[62.5rem]:w-full min-[62.5rem]:border-b-[3px] min-[62.5rem]:border-ink">
                <span className="block min-[62.5rem]:mx-auto min-[62.5rem]:w-[8.25rem]">
                  <Bowl meal={m} open={open === m.id} />
                </span>
              </span>
              <span className="block min-w-0 min-[62.5rem]:px-1 min-[62.5rem]:pt-2">
                <span className={`block leading-snug ${m.shifted ? "font-bold" : ""}`}>{m.title}</span>
                <span className={`block text-small leading-snug ${m.shifted ? "" : "text-soft"}`}>
                  {m.trouble ? (
                    "not understood yet"
                  ) : m.shifted ? (
                    <span className="changed">{m.name}</span>
                  ) : (
                    "as it is, in rice"
                  )}
                </span>
                {(m.cook || m.double) && (
                  <span className="block text-small text-soft">
                    {[m.cook && `${m.cook} cooks`, m.double && "double"].filter(Boolean).join(", ")}
                  </span>
                )}
              </span>
            </button>
          </div>
        ))}
      </div>
      {meals.length < 3 && <Add on={day} first={meals.length === 0} />}
    </>
  );
}

function Add({ on, first }: { on: string; first: boolean }) {
  const recipes = useRecipes();
  const add = useChange("week", (recipe_id: number) =>
    answer(api.POST("/api/week/meals", { body: { on, recipe_id } })),
  );
  const [typed, setTyped] = useState("");
  const found = (recipes.data ?? []).filter((r) => r.title.toLowerCase().includes(typed.trim().toLowerCase()));
  return (
    <>
      <Pop
        label={`A rice meal for ${weekday(on)}`}
        trigger={
          <button
            type="button"
            aria-label={`A rice meal for ${weekday(on)}`}
            className={`grid min-h-11 w-full place-items-center text-soft hover:text-water ${first ? "min-[62.5rem]:h-[5.04rem] min-[62.5rem]:border-b-[3px] min-[62.5rem]:border-ink" : ""}`}
          >
            <Plus size={first ? 26 : 18} />
          </button>
        }
      >
        <h2 className="text-lead">{weekday(on)}: which rice meal?</h2>
        {(recipes.data?.length ?? 0) > 8 && (
          <input
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            aria-label="Search your recipes"
            placeholder="search…"
            className="mt-2 min-h-11 w-full rounded-key border border-line bg-ground px-3"
          />
        )}
        <ul className="m-0 mt-2 list-none p-0">
          {found.map((r) => (
            <li key={r.id}>
              <button
                type="button"
                onClick={() => add.mutate(r.id)}
                className="dotted block min-h-11 w-full text-left hover:text-water"
              >
                {r.title}
              </button>
            </li>
          ))}
        </ul>
        {recipes.data?.length === 0 && (
          <p className="mt-2 text-soft">No recipe is kept yet: bring one and keep it, then it can stand on a day.</p>
        )}
        <Wrong trouble={asTrouble(add.error)} className="mt-2" />
      </Pop>
    </>
  );
}
