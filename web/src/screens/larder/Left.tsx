import { useNavigate } from "../../ui/route";
import { answer, api, asTrouble, type LeftOver } from "../../api/client";
import { useLeft } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Button, Wrong } from "../../ui/bits";
import { degrees } from "../../job/manner";
import { bring } from "../draft";

/** What is left over: where it lies, until when it may be eaten, and what becomes of it. */
export function Left() {
  const left = useLeft();
  const rule = useChange("left", (days: number) => answer(api.PUT("/api/household/rule", { body: { days } })));
  if (!left.data) return null;
  const { left: rows, fridge_days: days } = left.data;
  return (
    <section aria-label="Left over" className="mt-8 border-t border-line pt-3">
      <div className="flex flex-wrap items-center gap-3">
        <h2 className="mr-auto text-head">Left over</h2>
        <label className="text-small">
          The rule you follow for cooked grain in the fridge
          <select
            value={days}
            onChange={(e) => rule.mutate(Number(e.target.value))}
            className="ml-2 min-h-11 rounded-key border border-line bg-sheet px-2"
          >
            {[1, 2, 3, 4].map((n) => (
              <option key={n} value={n}>
                {n === 1 ? "1 day, the stricter" : `${n} days`}
              </option>
            ))}
          </select>
        </label>
      </div>
      <Wrong trouble={asTrouble(rule.error)} className="mt-2" />
      {rows.length === 0 && (
        <p className="mt-1 text-body text-soft">
          Nothing. When a meal is served, say at the stove how many portions are left.
        </p>
      )}
      <ul className="m-0 mt-1 list-none p-0">
        {rows.map((r) => (
          <Row key={r.id} row={r} />
        ))}
      </ul>
      {rows.length > 0 && (
        <p className="mt-2 text-small text-soft">
          Usual advice; your local food-safety authority’s rule goes before it. At or under {degrees(5)}.
        </p>
      )}
    </section>
  );
}

function Row({ row }: { row: LeftOver }) {
  const move = useChange("left", (body: { place: "fridge" | "freezer" | "gone"; portions?: number }) =>
    answer(api.PUT("/api/left/{left_id}", { params: { path: { left_id: row.id } }, body })),
  );
  const warm = useChange("left", () =>
    answer(api.POST("/api/left/{left_id}/warm", { params: { path: { left_id: row.id } } })),
  );
  const go = useNavigate();
  return (
    <li className="dotted py-2">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <strong className="figures text-head">{row.portions}</strong>
        <span className="text-body font-semibold">
          {row.portions === 1 ? "portion" : "portions"} of {row.name}
        </span>
        <span className="text-small text-soft">
          {row.place === "table" ? "not put away yet" : row.place === "fridge" ? "in the fridge" : "frozen"}
        </span>
      </p>
      <p className={`text-body ${row.over ? "font-semibold text-warn" : ""}`}>{row.said}</p>
      {!row.over && row.place !== "table" && (
        <p className="text-small text-soft">
          {row.reheat} {row.idea}
        </p>
      )}
      <Wrong trouble={asTrouble(move.error) ?? asTrouble(warm.error)} className="mt-1" />
      <div className="mt-1.5 flex flex-wrap gap-2">
        {!row.over && row.place === "table" && (
          <Button kind="main" onClick={() => move.mutate({ place: "fridge" })}>
            It is in the fridge
          </Button>
        )}
        {!row.over && row.place === "fridge" && (
          <Button
            kind="main"
            disabled={warm.isPending}
            onClick={() =>
              warm.mutate(undefined, {
                onSuccess: ({ text }) => {
                  bring(text);
                  go("/bring");
                },
              })
            }
          >
            Warm it tonight
          </Button>
        )}
        {!row.over && row.place !== "freezer" && (
          <Button onClick={() => move.mutate({ place: "freezer" })}>Frozen</Button>
        )}
        {!row.over && row.portions > 1 && row.place !== "table" && (
          <Button onClick={() => move.mutate({ place: row.place as "fridge", portions: row.portions - 1 })}>
            One eaten
          </Button>
        )}
        <Button onClick={() => move.mutate({ place: "gone" })}>{row.over ? "Thrown away" : "All eaten"}</Button>
      </div>
    </li>
  );
}
