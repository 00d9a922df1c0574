import { Trash2 } from "lucide-react";
import { useState } from "react";
import { Link, useNavigate } from "../../ui/route";
import { answer, api, asTrouble } from "../../api/client";
import { useGrains, useRecipes, useSession, useShifts } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Swatch } from "../../job/Hatch";
import { minutes } from "../../job/words";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { bring } from "../draft";
import { tonight } from "../plan/tonight";
import { Measure } from "./Measure";
import { throwAway, useGone } from "../../ui/gone";

// with more dishes than this one looks for them
const MANY = 12;

/** The household's recipes, each with the shifts that came of it. */
export function Kept() {
  const recipes = useRecipes();
  const shifts = useShifts();
  const grains = useGrains();
  const session = useSession();
  const go = useNavigate();
  const gone = useGone();
  const drop = useChange("recipes", (id: number) =>
    answer(api.DELETE("/api/recipes/{recipe_id}", { params: { path: { recipe_id: id } }, keepalive: true })),
  );
  const trouble = asTrouble(recipes.error) ?? asTrouble(shifts.error);
  const open = async (id: number) => {
    const found = await answer(api.GET("/api/recipes/{recipe_id}", { params: { path: { recipe_id: id } } }));
    bring(found.text, found.id, found.corrections);
    go("/bring");
  };
  const [sought, setSought] = useState("");
  const wanted = sought.trim().toLowerCase();
  const listed =
    recipes.data?.filter((r) => !gone.has(`recipe/${r.id}`) && r.title.toLowerCase().includes(wanted)) ?? [];
  const all = shifts.data?.filter((s) => !gone.has(`shift/${s.id}`)) ?? [];
  const loose = all.filter((s) => s.recipe_id === null);
  const family = (slug: string) => grains.data?.find((g) => g.slug === slug)?.family;

  return (
    <div className="pt-6">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-title">Kept</h1>
        {session.data && <Measure session={session.data} />}
      </div>
      {trouble && <Wrong trouble={trouble} className="mt-3" />}
      {recipes.data?.length === 0 && (
        <div className="mt-10 max-w-[46ch]">
          <p className="mb-4 text-lead">
            Nothing is kept yet. Bring a recipe, choose its grain on the bench, and keep the shift: it will be here
            tomorrow.
          </p>
          <Link to="/bring" className={keyLook("main")}>
            Bring a recipe
          </Link>
        </div>
      )}
      {(recipes.data?.length ?? 0) > MANY && (
        <label className="mt-4 flex max-w-[420px] items-center gap-3 text-body text-soft">
          Find
          <input
            value={sought}
            onChange={(e) => setSought(e.target.value)}
            type="search"
            className="min-h-11 flex-1 rounded-key border border-line bg-sheet px-3 text-body text-ink"
          />
        </label>
      )}
      {wanted !== "" && listed.length === 0 && (
        <p className="mt-4 text-body">No dish is called so; a part of its name is enough.</p>
      )}
      <ul className="m-0 mt-4 grid list-none gap-x-12 p-0 min-[62.5rem]:grid-cols-2">
        {listed.map((r) => {
          const mine = all.filter((s) => s.recipe_id === r.id);
          return (
            <li key={r.id} className="min-w-0 border-t border-line py-3">
              <div className="flex items-center gap-2">
                <button
                  type="button"
                  onClick={() => void open(r.id)}
                  className="min-h-11 flex-1 rounded-key text-left font-show text-lead font-[650] tracking-[-0.01em] text-ink hover:text-water"
                >
                  {r.title}
                </button>
                <button
                  type="button"
                  onClick={() => throwAway(`recipe/${r.id}`, `${r.title}: thrown away.`, () => drop.mutateAsync(r.id))}
                  aria-label={`Throw away ${r.title}`}
                  className="grid h-11 w-11 place-items-center rounded-key text-soft hover:text-warn"
                >
                  <Trash2 size={17} />
                </button>
              </div>
              {r.side && (
                <p className="mt-1 flex items-center gap-3 text-small text-soft">
                  Cooked as it is, beside a grain.
                  <Button
                    onClick={() => {
                      void tonight.change((d) => ({ ...d, ids: [...new Set([...d.ids, `r${r.id}`])] }));
                      go("/plan");
                    }}
                  >
                    Plan it
                  </Button>
                </p>
              )}
              {mine.length > 0 && (
                <ul className="m-0 mt-1 list-none space-y-1 p-0">
                  {mine.map((s) => (
                    <ShiftRow key={s.id} row={s} family={family(s.grain)} name={s.name} />
                  ))}
                </ul>
              )}
            </li>
          );
        })}
      </ul>
      <div className="mt-6 flex items-center gap-2 border-t border-line pt-3 min-[32.5625rem]:hidden">
        <Link to="/grains" className={`mr-auto ${keyLook("quiet")}`}>
          All grains
        </Link>
      </div>
      {loose.length > 0 && (
        <section className="mt-6 border-t border-line pt-3">
          <h2 className="mb-1 text-body text-soft">Shifts whose recipe was thrown away</h2>
          <ul className="m-0 list-none space-y-1 p-0">
            {loose.map((s) => (
              <ShiftRow key={s.id} row={s} family={family(s.grain)} name={s.title} />
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

interface Row {
  id: number;
  grain: string;
  pour_said: string;
  cook_min: number;
  total_min: number;
  created: string;
}

function ShiftRow({ row, name, family }: { row: Row; name: string; family?: string }) {
  return (
    <li>
      {/* the shifted half hangs a little to the right, as in the name above the page */}
      <Link
        to={`/kept/${row.id}`}
        className="ml-6 flex min-h-12 items-center gap-3 rounded-key border border-line bg-sheet px-3 text-ink no-underline hover:border-water"
      >
        <Swatch slug={row.grain} family={family} className="h-6 w-9 shrink-0" />
        <span className="min-w-0 flex-1 truncate text-body">{name}</span>
        <span className="figures shrink-0 text-small">
          <strong>{row.pour_said}</strong>, <strong>{row.cook_min}</strong> min
          <span className="text-soft max-[32.5rem]:hidden"> of {minutes(row.total_min)}</span>
        </span>
      </Link>
    </li>
  );
}
