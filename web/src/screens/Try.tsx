import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate } from "../ui/route";
import { answer, api, asTrouble } from "../api/client";
import { Swatch } from "../job/Hatch";
import { Button, Wrong } from "../ui/bits";
import { useSettled } from "../ui/useSettled";
import { bring, choice, draft, FIRST_CHOICE } from "./draft";

/** The job done before anything is asked for: a recipe in six grains, typed over to be one's own. Nothing of it is kept. */
export function Try() {
  // who comes back from the bench finds what they had typed
  const [typed, setTyped] = useState<string | null>(draft.get().text || null);
  const [to, setTo] = useState(draft.get().text ? choice.get().to : FIRST_CHOICE.to);
  const go = useNavigate();
  const text = useSettled(typed ?? "", 600);
  const found = useQuery({
    queryKey: ["try", text, to],
    queryFn: () => answer(api.POST("/api/try", { body: { text, to } })),
    placeholderData: keepPreviousData,
    retry: false,
    staleTime: Infinity,
  });
  const made = found.data;
  const most = Math.max(1, ...(made?.rows.map((r) => r.pour_ml) ?? []));
  const toTheBench = () => {
    if (!made) return;
    if (made.text !== draft.get().text) bring(made.text);
    choice.set({ ...FIRST_CHOICE, to });
    go("/bench");
  };
  return (
    <section aria-label="Try a recipe" className={found.isFetching && found.isPlaceholderData ? "opacity-60" : ""}>
      <label className="block">
        <span className="text-soft">An example: type or paste your own over it. Nothing is kept.</span>
        <textarea
          value={typed ?? made?.text ?? ""}
          onChange={(e) => setTyped(e.target.value)}
          spellCheck={false}
          rows={9}
          className="mt-1 w-full rounded-sheet border border-line bg-sheet p-4 leading-relaxed"
        />
      </label>
      <Wrong trouble={asTrouble(found.error)} className="mt-2" />
      {made && (
        <>
          <div className="mt-5 flex flex-wrap items-center gap-3">
            <h2 className="mr-auto text-lead">{made.title}: the same plate in another grain</h2>
            <Button kind="main" onClick={toTheBench}>
              To the bench
            </Button>
          </div>
          <ul className="m-0 mt-1 list-none p-0" aria-label="Grains">
            {made.rows.map((r) => (
              <li key={r.grain}>
                <button
                  type="button"
                  aria-pressed={r.grain === to}
                  onClick={() => setTo(r.grain)}
                  className={`grid min-h-14 w-full grid-cols-[2.75rem_1fr] items-center gap-x-3 rounded-key border-2 px-2 py-1 text-left min-[32.5625rem]:grid-cols-[2.75rem_8.5rem_1fr_8rem] ${r.grain === to ? "border-ink bg-sheet" : "border-transparent hover:border-line"}`}
                >
                  <Swatch slug={r.grain} family={r.family} className="h-8 w-full" />
                  <strong className="leading-tight">{r.name}</strong>
                  <span className="max-[32.5rem]:col-start-2">
                    <span
                      className="figures block min-w-fit rounded-[6px] bg-water-pale px-2 py-1 whitespace-nowrap"
                      style={{ width: `${(100 * r.pour_ml) / most}%` }}
                    >
                      <strong className="text-lead">{r.pour_ml}</strong> ml
                    </span>
                  </span>
                  <span className="figures whitespace-nowrap max-[32.5rem]:col-start-2 min-[32.5625rem]:text-right">
                    <strong className="text-lead">{r.cook_min}</strong>{" "}
                    <span className="text-small text-soft">
                      min{r.rest_min > 0 && `, rest ${Math.round(r.rest_min)}`}
                    </span>
                  </span>
                </button>
              </li>
            ))}
          </ul>
          <section aria-label="The recipe as it becomes" className="mt-4 rounded-sheet border border-line bg-sheet p-5">
            <h3 className="text-lead">{made.becomes}</h3>
            <ul className="m-0 mt-2 list-none p-0">
              {made.ingredients.map((t) => (
                <li key={t} className="dotted py-1">
                  {t}
                </li>
              ))}
            </ul>
            <ol className="mt-3 list-decimal space-y-1.5 pl-5">
              {made.steps.map((t) => (
                <li key={t}>{t}</li>
              ))}
            </ol>
            <p className="mt-3 text-small text-soft">
              Reckoned for an ordinary pot and lid
              {made.asked > 0 &&
                `; ${made.asked} ${made.asked === 1 ? "thing" : "things"} in this recipe would be asked about`}
              . On the bench: the reason behind each number, your pot, lid and texture. With a household of your own:
              your glass, the plan, the stove, the notebook.
            </p>
          </section>
        </>
      )}
    </section>
  );
}
