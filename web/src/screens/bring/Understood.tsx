import { useNavigate } from "../../ui/route";
import { answer, api, asTrouble, type Reading } from "../../api/client";
import { useGrains } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Swatch } from "../../job/Hatch";
import { minutes } from "../../job/words";
import { Button, Wrong } from "../../ui/bits";
import { draft } from "../draft";
import { tonight } from "../plan/tonight";
import { Doubts } from "./Doubts";
import { WAY_SAID } from "../../job/ways";

/** What was understood, in sentences; and the way on to the bench. */
export function Understood({ reading, onBench, stopped }: { reading: Reading; onBench: () => void; stopped: boolean }) {
  const grains = useGrains();
  const grain = reading.source_grain;
  const found = grains.data?.find((g) => g.slug === grain?.slug);
  const general = reading.problems.filter((p) => p.where === "" || p.severity === "note");
  return (
    <div className="space-y-4">
      <div>
        <p className="text-small text-soft">The grain</p>
        {grain ? (
          <>
            <p className="poster mt-1 text-number">{grain.g !== null ? `${Math.round(grain.g)} g` : "?"}</p>
            <p className="mt-2 flex items-center gap-2 text-body font-semibold">
              <Swatch slug={grain.slug} family={found?.family} className="h-4 w-8" />
              {found?.name ?? ""}
              {grain.as === "cooked" ? ", already cooked" : ""}
            </p>
          </>
        ) : (
          <p className="poster mt-1 text-number">none yet</p>
        )}
      </div>
      <dl className="m-0 mb-4 text-body">
        {grain && <Said term="Water its liquids bring" is={`${Math.round(reading.liquid_water_ml)} ml`} />}
        {grain && (
          <Said
            term="At the heat"
            is={
              reading.whistles !== null && reading.simmer_min === null
                ? `${reading.whistles} whistles`
                : reading.simmer_min === null
                  ? "not said"
                  : minutes(Math.round(reading.simmer_min))
            }
          />
        )}
        {reading.soak_min > 0 && <Said term="Soaked" is={minutes(Math.round(reading.soak_min))} />}
        {reading.rest_min !== null && <Said term="Rested" is={minutes(Math.round(reading.rest_min))} />}
        {grain && <Said term="Cooked" is={`${WAY_SAID[reading.method] ?? reading.method}, to ${reading.texture}`} />}
        {reading.servings !== null && <Said term="For" is={`${reading.servings} at the table`} />}
        {reading.count_out.length > 0 && <Said term="Count out again" is={reading.count_out.join(", ")} />}
      </dl>
      <Doubts reading={reading} />
      {general.length > 0 && (
        <ul className="m-0 list-none space-y-2 p-0">
          {general.map((p, i) => (
            <li
              key={i}
              className={`border-l-4 px-3 py-1.5 text-small ${p.severity === "note" ? "border-line" : "border-warn bg-warn-pale"}`}
            >
              {p.text}
            </li>
          ))}
        </ul>
      )}
      <Button kind="main" data-go className="min-h-14 w-full text-body" disabled={stopped} onClick={onBench}>
        To the bench
      </Button>
      {!grain && <Beside text={reading.text} />}
      <p className="text-small text-soft">
        {stopped && grain ? "First mend the line marked in red." : "Something read wrongly? Touch the line."}
      </p>
    </div>
  );
}

/** A dish without a grain is cooked as it is, beside one that is shifted. */
function Beside({ text }: { text: string }) {
  const go = useNavigate();
  const [now] = draft.use();
  const keep = useChange("recipes", () =>
    answer(api.POST("/api/recipes", { body: { text, corrections: now.corrections } })),
  );
  const cook = async () => {
    const kept = await keep.mutateAsync(undefined);
    if (!kept.side) return;
    await tonight.change((d) => ({ ...d, ids: [...new Set([...d.ids, `r${kept.id}`])] }));
    go("/plan");
  };
  const short = keep.data && !keep.data.side;
  return (
    <div>
      <Button
        className="min-h-14 w-full text-body"
        disabled={keep.isPending}
        onClick={() => void cook().catch(() => undefined)}
      >
        No grain in it: cook it as it is, beside a dish
      </Button>
      <Wrong
        trouble={
          short
            ? {
                code: "no_steps",
                where: "text",
                text: "To cook it as it is I need what goes in and the steps to make it: add them to the text. It is under Kept.",
              }
            : asTrouble(keep.error)
        }
        className="mt-2"
      />
    </div>
  );
}

function Said({ term, is }: { term: string; is: string }) {
  return (
    <div className="dotted flex items-baseline justify-between gap-4 py-1.5">
      <dt className="text-soft">{term}</dt>
      <dd className="figures m-0 text-right font-semibold">{is}</dd>
    </div>
  );
}
