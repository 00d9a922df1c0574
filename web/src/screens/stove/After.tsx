import { useState } from "react";
import { Link } from "../../ui/route";
import { answer, api, asTrouble, type Entry } from "../../api/client";
import { useEntriesOf, useLeft } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { Outcome } from "../notebook/Outcome";
import { Left } from "../larder/Left";

/** After the meal: how did it come out, and is any left? What was poured and taken is in the notebook already. */
export function AfterMeal({ cooking, served }: { cooking: number; served: Date | null }) {
  const entries = useEntriesOf(cooking);
  const left = useLeft();
  if (!entries.data?.entries.length) return null;
  return (
    <>
      {entries.data.entries.map((e) => (
        <One key={e.id} entry={e} served={served} />
      ))}
      {left.data && left.data.left.length > 0 && <Left />}
      <Link to="/notebook" className={`${keyLook("quiet")} mt-3 -ml-3`}>
        Written in the notebook
      </Link>
    </>
  );
}

function One({ entry: e, served }: { entry: Entry; served: Date | null }) {
  const [portions, setPortions] = useState(2);
  const leave = useChange("left", () =>
    answer(
      api.POST("/api/left", {
        body: { name: e.dish, grain: e.grain, portions, served: served?.toISOString() ?? null },
      }),
    ),
  );
  const step = "grid h-14 w-14 place-items-center rounded-key border border-line text-head";
  return (
    <section aria-label={`How ${e.name} came out`} className="mt-6 rounded-sheet border border-line bg-sheet p-4">
      <h2 className="text-head">How did the {e.name} come out?</h2>
      <p className="figures mb-3 mt-1 text-body text-soft">
        Told {e.pour_said} and {e.cook_min} minutes; poured {e.poured_said || "nothing"}, {e.taken_min} minutes at the
        boil.
      </p>
      <Outcome entry={e} />
      {!leave.isSuccess && (
        <div className="mt-4 flex flex-wrap items-center gap-2">
          <span className="mr-auto text-body font-semibold">Is any left?</span>
          <button
            type="button"
            aria-label="One portion fewer"
            className={step}
            disabled={portions <= 1}
            onClick={() => setPortions(portions - 1)}
          >
            −
          </button>
          <output className="figures w-8 text-center text-head font-bold">{portions}</output>
          <button
            type="button"
            aria-label="One portion more"
            className={step}
            disabled={portions >= 40}
            onClick={() => setPortions(portions + 1)}
          >
            +
          </button>
          <Button className="min-h-14" disabled={leave.isPending} onClick={() => leave.mutate(undefined)}>
            {portions === 1 ? "portion left" : "portions left"}
          </Button>
        </div>
      )}
      <Wrong trouble={asTrouble(leave.error)} className="mt-2" />
    </section>
  );
}
