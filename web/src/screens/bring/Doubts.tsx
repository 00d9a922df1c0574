import type { Correction, Doubt, Reading } from "../../api/client";
import { correct, draft } from "../draft";

/** What could be read in more than one way: a question each, and its two or three readings as touches. One touch mends it everywhere. */
export function Doubts({ reading, most = 6 }: { reading: Reading; most?: number }) {
  const [now, set] = draft.use();
  // minutes that both totals hang on are doubted twice, and asked once: the one touch settles both
  const asked = reading.doubts.filter(
    (d, i, all) => all.findIndex((x) => x.text === d.text && x.where === d.where) === i,
  );
  if (asked.length === 0) return null;
  const shown = asked.slice(0, most);
  // what was said of this line before stays said
  const whole = (c: Correction): Correction => {
    const kept = now.corrections.find((k) => k.line === c.line && !k.minutes && !k.cls && c.line !== "");
    return c.minutes || c.cls || !c.line ? c : { ...kept, ...c };
  };
  const settle = ({ correction, also }: Doubt["choices"][number]) =>
    set(correct(now, ...(also ? [correction, also] : [correction]).map(whole)));
  return (
    <section aria-label="I am not sure" className="mt-4 rounded-sheet border border-line bg-sheet p-4">
      <h2 className="text-lead">I am not sure</h2>
      <ul className="m-0 mt-1 list-none p-0">
        {shown.map((d, i) => (
          <li key={i} className="dotted py-2.5 last:border-0">
            <p className="text-small leading-snug">{d.text}</p>
            {d.choices.length > 0 && (
              <div className="mt-1.5 flex flex-wrap gap-1.5" role="group" aria-label={d.text}>
                {d.choices.map((c, k) => (
                  <button
                    key={k}
                    type="button"
                    onClick={() => settle(c)}
                    className="min-h-11 rounded-key border border-line bg-ground px-3 text-left text-small font-semibold text-water hover:border-water"
                  >
                    {c.label}
                  </button>
                ))}
              </div>
            )}
          </li>
        ))}
      </ul>
      {asked.length > most && (
        <p className="mt-1 text-small text-soft">and {asked.length - most} more once these are settled</p>
      )}
    </section>
  );
}
