import { Link } from "../../ui/route";
import type { Week } from "../../api/client";
import { keyLook } from "../../ui/bits";

/** What the week asks for beside the bowls: what goes into water tonight, and what to buy. */
export function Beside({ week: w }: { week: Week }) {
  return (
    <div className="min-w-0">
      {w.tonight.length > 0 && (
        <section aria-label="Tonight" className="mb-6">
          <h2 className="text-lead">Tonight</h2>
          {w.tonight.map((t) => (
            <p key={t} className="dotted py-2 text-lead">
              {t}
            </p>
          ))}
        </section>
      )}
      {w.shopping.length > 0 && (
        <section aria-label="Shopping">
          <h2 className="text-lead">To buy</h2>
          <ul className="m-0 list-none p-0">
            {w.shopping.map((x) => (
              <li key={x.text} className="dotted py-1.5">
                <Amount text={x.text} /> <span className="text-small text-soft">{x.dishes.join(", ")}</span>
              </li>
            ))}
          </ul>
          <p className="mt-2 text-small text-soft">
            Grain is what the <Link to="/larder">larder</Link> lacks; the rest as the recipes have it, like added to
            like: look what is there already.
          </p>
          <div className="print:hidden -ml-3 mt-1 flex flex-wrap">
            <a className={keyLook("quiet")} href={`/api/week/shopping.txt?day=${w.start}`}>
              As text
            </a>
            <a className={keyLook("quiet")} href={`/api/week/shopping.csv?day=${w.start}`}>
              As CSV
            </a>
            <button type="button" className={keyLook("quiet")} onClick={() => window.print()}>
              Print
            </button>
            <a className={keyLook("quiet")} href={`/api/week.ics?day=${w.start}`}>
              Into the calendar
            </a>
          </div>
        </section>
      )}
    </div>
  );
}

/** The number first, as one looks for it between the shelves. */
function Amount({ text }: { text: string }) {
  const number = /^[\d.,½¼¾⅓⅔⅛ /]+(?:kg|g|ml|l)?(?=\s)/.exec(text)?.[0] ?? "";
  return (
    <>
      {number && <strong className="figures">{number}</strong>}
      {text.slice(number.length)}
    </>
  );
}
