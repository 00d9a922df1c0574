import { useState } from "react";
import { Link } from "../../ui/route";
import { useGrains } from "../../api/queries";
import { Swatch } from "../../job/Hatch";

/** The shelf of all grains. */
export function Grains() {
  const grains = useGrains();
  const [find, setFind] = useState("");
  const shown =
    grains.data?.filter((g) => `${g.name} ${g.family} ${g.slug}`.toLowerCase().includes(find.trim().toLowerCase())) ??
    [];
  const families = [...new Set(shown.map((g) => g.family))];
  return (
    <div className="pt-6">
      <div className="flex flex-wrap items-end justify-between gap-4">
        <h1 className="text-title">Grains</h1>
        <input
          value={find}
          onChange={(e) => setFind(e.target.value)}
          aria-label="Find a grain"
          placeholder="Find a grain"
          className="min-h-11 w-72 rounded-key border border-line bg-sheet px-3 text-body"
        />
      </div>
      {families.map((family) => (
        <section key={family} className="mt-5">
          <h2 className="mb-2 text-body text-soft">{family}</h2>
          <ul className="m-0 grid list-none grid-cols-2 gap-x-5 gap-y-1 p-0 min-[47.5rem]:grid-cols-4 min-[62.5rem]:grid-cols-5">
            {shown
              .filter((g) => g.family === family)
              .map((g) => (
                <li key={g.slug}>
                  <Link
                    to={`/grains/${g.slug}`}
                    className="block rounded-key py-1.5 text-ink no-underline hover:text-water"
                  >
                    <Swatch slug={g.slug} family={g.family} className="h-10 w-full" />
                    <span className="mt-1.5 block text-body font-semibold leading-tight">{g.name}</span>
                    <span className="figures text-fine text-soft">
                      {g.simmer_min ? `${g.simmer_min} min at the boil` : "steeped"}
                      {g.gluten && ", gluten"}
                    </span>
                  </Link>
                </li>
              ))}
          </ul>
        </section>
      ))}
      {grains.data && shown.length === 0 && <p className="mt-6 text-soft">No grain of that name. Try part of it.</p>}
    </div>
  );
}
