import type { Reading, Shift } from "../../api/client";
import { Marked } from "../../job/Marked";

/** As it was: left, lower, quieter. */
export function Before({ reading }: { reading: Reading }) {
  return (
    <div className="text-[color-mix(in_oklab,var(--ink)_82%,var(--sheet))]">
      <h2 className="text-[21px]">{reading.title}</h2>
      <p className="mb-3 mt-1 text-[14px] text-soft">as you brought it{reading.servings ? `, serves ${reading.servings}` : ""}</p>
      <ul className="m-0 list-none p-0 text-[15.5px]">
        {reading.lines
          .filter((l) => !l.section.startsWith("step "))
          .map((l, i) => (
            <li key={i} className="dotted py-[5px]">
              {l.text}
            </li>
          ))}
      </ul>
      <ol className="m-0 mt-3 list-decimal space-y-1.5 pl-6 text-[15.5px]">
        {reading.steps.map((s, i) => (
          <li key={i}>{s.text}</li>
        ))}
      </ol>
    </div>
  );
}

/** As it becomes: right, higher, what changed under the highlighter and the reason beside it. */
export function After({ shift, withOld = false }: { shift: Shift; withOld?: boolean }) {
  const changed = shift.ingredients.filter((i) => i.marks.length).length + shift.steps.filter((s) => s.marks.length || !s.text).length;
  const asks = [...shift.check, ...shift.problems].filter((p) => p.severity === "ask").length;
  return (
    <div>
      <h2 className="text-[25px]">{shift.title}</h2>
      <p className="mb-3 mt-1 text-[14px] text-soft">
        {changed} {changed === 1 ? "change" : "changes"} marked{asks ? `, ${asks} to check` : ""}
        {shift.servings ? `, serves ${shift.servings}` : ""}
      </p>
      <ul className="m-0 list-none p-0 text-[16px]" aria-label="Ingredients">
        {shift.ingredients.map((i, k) => (
          <li key={k} className="dotted py-[5px]">
            <Marked text={i.text} marks={i.marks} olds={i.olds} withOld={withOld} />
            {i.marks.length > 0 && i.because && <span className="block text-[13.5px] leading-snug text-soft">{i.because}</span>}
          </li>
        ))}
      </ul>
      <ol className="m-0 mt-3 list-none space-y-2 p-0 text-[16px]" aria-label="Method">
        {shift.steps.map((s, k) => {
          const n = shift.steps.slice(0, k + 1).filter((x) => x.text).length;
          if (!s.text)
            return (
              <li key={k} className="pl-7 text-soft">
                <del>{s.was}</del> <span className="text-[13.5px]">{s.reason}</span>
              </li>
            );
          const added = s.was === null;
          return (
            <li key={k} className={`relative pl-7 ${added ? "before:absolute before:inset-y-0.5 before:left-[19px] before:w-1 before:rounded before:bg-mark" : ""}`}>
              <span className="figures absolute left-0 text-soft">{n}.</span>
              {added ? <span className="font-semibold">{s.text}</span> : <Marked text={s.text} marks={s.marks} olds={s.olds} withOld={withOld} />}
              {s.reason && <span className="block text-[13.5px] leading-snug text-soft">{s.reason}</span>}
              {s.cautions.map((c) => (
                <span key={c} className="mt-1 block border-l-4 border-warn bg-warn-pale px-2 py-1 text-[14.5px] leading-snug">
                  {c}
                </span>
              ))}
            </li>
          );
        })}
      </ol>
    </div>
  );
}

/** What to look over, and the cautions. */
export function Mind({ shift }: { shift: Shift }) {
  const asks = [...shift.check, ...shift.problems].filter((p) => p.severity !== "note");
  const notes = shift.problems.filter((p) => p.severity === "note");
  return (
    <div className="mt-5 space-y-4">
      {asks.length > 0 && (
        <section aria-label="To check">
          <h3 className="mb-1.5 text-[17px]">Look this over</h3>
          <ul className="m-0 list-none space-y-1.5 p-0">
            {asks.map((p, i) => (
              <li key={i} className="border-l-4 border-warn pl-3 text-[15px]">
                {p.text}
              </li>
            ))}
          </ul>
        </section>
      )}
      {notes.length > 0 && <p className="text-[14px] text-soft">{notes.map((n) => n.text).join(" ")}</p>}
      {shift.pots[0]?.after && (
        <p className="text-[14.5px] leading-snug text-soft">
          Left over? Spread 3 cm deep it is under 60 °C in {shift.pots[0].after.spread_to_60_min} minutes, left in its pot in {shift.pots[0].after.pot_to_60_min}; cold it is {shift.pots[0].after.cold_texture}.
        </p>
      )}
      <section aria-label="Cautions" className="border-t border-line pt-3">
        <h3 className="mb-1 text-[15px] text-warn">Mind</h3>
        <ul className="m-0 list-none space-y-1.5 p-0 text-[14.5px] leading-snug">
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
