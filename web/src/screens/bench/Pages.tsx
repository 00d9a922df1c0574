import type { Reading, Shift } from "../../api/client";
import { useAppliance } from "../../api/queries";
import { Marked } from "../../job/Marked";
import { Button } from "../../ui/bits";
import { degrees } from "../../job/manner";

/** The heading a step stands under already: that of the nearest step before it that has one. What was put in has none. */
export const sectionAbove = (steps: readonly { section?: string }[], k: number): string | undefined =>
  steps
    .slice(0, k)
    .reverse()
    .find((s) => s.section)?.section;

/** As it was: left, lower, quieter. */
export function Before({ reading }: { reading: Reading }) {
  const listed = reading.lines.filter((l) => !l.section.startsWith("step "));
  return (
    <div className="text-[color-mix(in_oklab,var(--ink)_82%,var(--sheet))]">
      <h2 className="text-head">{reading.title}</h2>
      <p className="mb-3 mt-1 text-small text-soft">
        as you brought it{reading.servings ? `, serves ${reading.servings}` : ""}
      </p>
      <ul className="m-0 list-none p-0 text-small">
        {listed.map((l, i) => (
          <li key={i} className="dotted py-[5px]">
            {l.section && l.section !== listed[i - 1]?.section && (
              <span className="block pt-2 font-semibold">{l.section}</span>
            )}
            {l.text}
          </li>
        ))}
      </ul>
      <ol className="m-0 mt-3 list-decimal space-y-1.5 pl-6 text-small">
        {reading.steps.map((s, i) => (
          <li key={i}>
            {s.section && s.section !== sectionAbove(reading.steps, i) && (
              <span className="block pt-1 font-semibold">{s.section}</span>
            )}
            {s.text}
          </li>
        ))}
      </ol>
    </div>
  );
}

/** As it becomes: right, higher, what changed under the highlighter and the reason beside it. `leave` keeps a step in its old words, or takes it back. */
export function After({
  shift,
  withOld = false,
  leave,
}: {
  shift: Shift;
  withOld?: boolean;
  leave?: (words: string) => void;
}) {
  const changed =
    shift.ingredients.filter((i) => i.marks.length).length +
    shift.steps.filter((s) => s.marks.length || !s.text).length;
  const asks = [...shift.check, ...shift.problems].filter((p) => p.severity === "ask").length;
  const listed = shift.ingredients.filter((i) => !i.in_step);
  const told = shift.ingredients.filter((i) => i.in_step);
  return (
    <div>
      <h2 className="text-title">{shift.title}</h2>
      <p className="mb-3 mt-1 text-small text-soft">
        {changed} {changed === 1 ? "change" : "changes"} marked{asks ? `, ${asks} to check` : ""}
        {shift.servings ? `, serves ${shift.servings}` : ""}
      </p>
      <ul className="m-0 list-none p-0 text-body" aria-label="Ingredients">
        {listed.map((i, k) => (
          <li key={k} className="dotted py-[5px]">
            {i.section && i.section !== listed[k - 1]?.section && (
              <span className="block pt-2 font-semibold">{i.section}</span>
            )}
            <Marked text={i.text} marks={i.marks} olds={i.olds} withOld={withOld} />
            {i.marks.length > 0 && i.because && (
              <span className="block text-fine leading-snug text-soft">{i.because}</span>
            )}
          </li>
        ))}
      </ul>
      {told.length > 0 && (
        <p className="mt-2 text-small leading-snug text-soft" aria-label="Named in the steps">
          <span className="font-semibold">{listed.length ? "Also, by the steps: " : "What goes in: "}</span>
          {told.map((i) => i.text).join(" · ")}
        </p>
      )}
      <ol className="m-0 mt-3 list-none space-y-2 p-0 text-body" aria-label="Method">
        {shift.steps.map((s, k) => (
          <Step
            key={k}
            step={s}
            above={sectionAbove(shift.steps, k)}
            n={shift.steps.slice(0, k + 1).filter((x) => x.text).length}
            withOld={withOld}
            leave={leave}
          />
        ))}
      </ol>
    </div>
  );
}

function Step({
  step: s,
  above,
  n,
  withOld,
  leave,
}: {
  step: Shift["steps"][number];
  above: string | undefined;
  n: number;
  withOld: boolean;
  leave: ((words: string) => void) | undefined;
}) {
  const added = s.was === null;
  // what was put in is known by its kind: its words change with the numbers
  const words = added || (s.kept && !s.text) ? `+${s.kind}` : (s.was ?? "");
  const touch = leave && (s.kept || s.marks.length > 0) && (
    <button
      type="button"
      className="-my-1 inline-flex min-h-11 items-center text-fine font-semibold text-water"
      onClick={() => leave(words)}
    >
      {s.kept ? "Change it after all" : added ? "Leave it out" : "Keep the old words"}
    </button>
  );
  if (!s.text)
    return (
      <li className="pl-7 text-soft">
        <del>{s.was}</del> <span className="text-fine">{s.reason}</span> {touch}
      </li>
    );
  return (
    <li
      className={`relative pl-7 ${added ? "before:absolute before:inset-y-0.5 before:left-[19px] before:w-1 before:rounded before:bg-mark" : ""}`}
    >
      {s.section && s.section !== above && <span className="block pt-1 font-semibold">{s.section}</span>}
      <span className="figures absolute left-0 text-soft">{n}.</span>
      {added ? (
        <span className="font-semibold">{s.text}</span>
      ) : (
        <Marked text={s.text} marks={s.marks} olds={s.olds} withOld={withOld} />
      )}
      {(s.reason || touch) && (
        <span className="block text-fine leading-snug text-soft">
          {s.reason} {touch}
        </span>
      )}
      {(s.cautions ?? []).map((c) => (
        <span key={c} className="mt-1 block border-l-4 border-warn bg-warn-pale px-2 py-1 text-small leading-snug">
          {c}
        </span>
      ))}
    </li>
  );
}

function Own({ name }: { name: string }) {
  const own = useAppliance();
  return (
    <Button className="ml-3" disabled={own.isPending} onClick={() => own.mutate(name)}>
      We have one
    </Button>
  );
}

/** What to look over, and the cautions. */
export function Mind({ shift }: { shift: Shift }) {
  const asks = [...shift.check, ...shift.problems].filter((p) => p.severity !== "note");
  const notes = shift.problems.filter((p) => p.severity === "note");
  return (
    <div className="mt-5 space-y-4">
      {(shift.laws ?? []).length > 0 && (
        <section aria-label="Not sure of the new text">
          <h3 className="mb-1.5 text-body">Where I am not sure of the new text</h3>
          <ul className="m-0 list-none space-y-1.5 p-0">
            {(shift.laws ?? []).map((l, i) => (
              <li key={i} className="border-l-4 border-warn pl-3 text-small">
                {l.text}
                {l.where && (
                  <span className="block text-fine text-soft">
                    “{l.where.length > 90 ? `${l.where.slice(0, 90)} …` : l.where}”
                  </span>
                )}
              </li>
            ))}
          </ul>
        </section>
      )}
      {asks.length > 0 && (
        <section aria-label="To check">
          <h3 className="mb-1.5 text-body">Look this over</h3>
          <ul className="m-0 list-none space-y-1.5 p-0">
            {asks.map((p, i) => (
              <li key={i} className="border-l-4 border-warn pl-3 text-small">
                {p.text}
                {p.code === "no_appliance" && <Own name={p.where} />}
              </li>
            ))}
          </ul>
        </section>
      )}
      {notes.length > 0 && <p className="text-small text-soft">{notes.map((n) => n.text).join(" ")}</p>}
      {shift.pots[0]?.after && (
        <p className="text-small leading-snug text-soft">
          Left over? Spread 3 cm deep it is under {degrees(60)} in {shift.pots[0].after.spread_to_60_min} minutes, left
          in its pot in {shift.pots[0].after.pot_to_60_min}; cold it is {shift.pots[0].after.cold_texture}.
        </p>
      )}
      <section aria-label="Cautions" className="border-t border-line pt-3">
        <h3 className="mb-1 text-small text-warn">Mind</h3>
        <ul className="m-0 list-none space-y-1.5 p-0 text-small leading-snug">
          {shift.cautions.map((c) => (
            <li key={c.code} title={`Shown because: ${c.because}`}>
              {c.text}
            </li>
          ))}
        </ul>
      </section>
    </div>
  );
}
