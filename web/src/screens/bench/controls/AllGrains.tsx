import { useState } from "react";
import type { Grain } from "../../../api/client";
import { Swatch } from "../../../job/Hatch";
import { chip } from "./control";

export const minuteWord = (g: Grain) => (g.simmer_min ? `${g.simmer_min} min boil` : "steeped");

export function AllGrains({ grains, to, pick }: { grains: Grain[]; to: string; pick: (slug: string) => void }) {
  const [find, setFind] = useState("");
  const shown = grains.filter((g) =>
    `${g.name} ${g.family} ${g.slug}`.toLowerCase().includes(find.trim().toLowerCase()),
  );
  const families = [...new Set(shown.map((g) => g.family))];
  return (
    <div>
      <label className="block">
        <span className="sr-only">Find a grain</span>
        <input
          value={find}
          onChange={(e) => setFind(e.target.value)}
          placeholder="Find a grain"
          className="mb-2 min-h-11 w-full rounded-key border border-line bg-quiet px-3 text-body"
        />
      </label>
      {families.map((family) => (
        <div key={family}>
          <h3 className="mb-1 mt-3 text-small text-soft">{family}</h3>
          <div className="grid grid-cols-2 gap-1">
            {shown
              .filter((g) => g.family === family)
              .map((g) => (
                <button
                  key={g.slug}
                  type="button"
                  aria-pressed={to === g.slug}
                  onClick={() => pick(g.slug)}
                  className={`${chip(to === g.slug)} flex min-h-11 items-center gap-2 px-2 text-small`}
                >
                  <Swatch slug={g.slug} family={g.family} className="h-6 w-4 shrink-0" />
                  <span className="min-w-0 leading-tight">
                    {g.name}
                    <span className="figures block text-fine text-soft">
                      {minuteWord(g)}
                      {g.gluten && ", gluten"}
                    </span>
                  </span>
                </button>
              ))}
          </div>
        </div>
      ))}
      {shown.length === 0 && <p className="text-soft">No grain of that name. Try part of it.</p>}
    </div>
  );
}
