import { Link } from "../../ui/route";
import { useCookings } from "../../api/queries";
import { keyLook } from "../../ui/bits";
import { allSeen } from "./store";
import { clock, dated } from "../../job/manner";

/** What is on the stove, and what was. */
export function Cookings() {
  const cookings = useCookings();
  if (!cookings.data) return cookings.isError ? <WithoutNetwork /> : null;
  const on = cookings.data.filter((c) => c.ended === null);
  const over = cookings.data.filter((c) => c.ended !== null);
  if (cookings.data.length === 0)
    return (
      <div className="pt-16 text-center">
        <h1 className="text-title">Nothing is on the stove</h1>
        <p className="mb-5 mt-2 text-soft">Plan a dinner first; when it is time, begin to cook it there.</p>
        <Link to="/plan" className={keyLook("main")}>
          To the plan
        </Link>
      </div>
    );
  return (
    <div className="pt-5">
      <h1 className="text-title">Stove</h1>
      <div className="mt-4 space-y-3">
        {on.map((c) => (
          <Link
            key={c.id}
            to={`/stove/${c.id}`}
            className="flex min-h-[88px] items-center gap-4 rounded-sheet border border-line bg-sheet px-5 py-3 text-ink no-underline hover:border-water"
          >
            <span className="figures font-show text-show font-bold">{clock(new Date(c.serve_at))}</span>
            <span className="min-w-0 text-lead leading-tight">
              {c.title}
              <span className="block text-small text-soft">
                begun at {clock(new Date(c.began))}
                {c.speed > 1 && `, practice at ${c.speed} times the speed`}
              </span>
            </span>
          </Link>
        ))}
      </div>
      {over.length > 0 && (
        <>
          <h2 className="mb-2 mt-7 text-lead">Over</h2>
          <ul className="m-0 list-none p-0">
            {over.map((c) => (
              <li key={c.id} className="dotted">
                <Link
                  to={`/stove/${c.id}`}
                  className="flex min-h-11 items-center gap-3 py-1 text-ink no-underline hover:text-water"
                >
                  <span className="text-small text-soft">
                    {dated(new Date(c.began), { day: "numeric", month: "short" })}
                  </span>
                  {c.title}
                </Link>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

/** What this device has seen of the stove: it can be gone on with. */
function WithoutNetwork() {
  const known = allSeen().filter(({ got }) => got.state && got.state.ended === null && !got.state.all_done);
  return (
    <div className="pt-5">
      <h1 className="text-title">Stove</h1>
      <p role="status" className="mt-2 text-body">
        The kitchen's server does not answer.{" "}
        {known.length > 0
          ? "What was on can be gone on with here; your touches wait for it."
          : "Nothing that was on is known to this device."}
      </p>
      <div className="mt-4 space-y-3">
        {known.map(({ got }) => (
          <Link
            key={got.id}
            to={`/stove/${got.id}`}
            className="flex min-h-[88px] items-center gap-4 rounded-sheet border border-line bg-sheet px-5 py-3 text-lead text-ink no-underline hover:border-water"
          >
            <span className="figures font-show text-show font-bold">{clock(new Date(got.serve_at))}</span>
            {got.state?.title}
          </Link>
        ))}
      </div>
    </div>
  );
}
