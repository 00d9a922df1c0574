import { useEffect, type ReactNode } from "react";
import { useSession } from "../api/queries";
import { Link } from "../ui/route";
import { setManner, usual } from "../job/manner";
import { keyLook } from "../ui/bits";
import { Wordmark } from "../ui/Wordmark";
import { Bench } from "./bench/Bench";
import { draft } from "./draft";

/** The bench for who has no account: all of it works, and nothing is kept. door: where one is sent who has nothing in hand. */
export function Tried({ door }: { door: ReactNode }) {
  const [now] = draft.use();
  const cup = useSession().data?.cup_ml ?? NaN;
  useEffect(() => {
    document.title = "Bench · Meal Shift";
  }, []);
  if (now.text === "") return door;
  setManner({ ...usual(navigator.language), heat: "" }, cup);
  return (
    <>
      <header className="border-b border-line">
        <div className="mx-auto flex min-h-12 max-w-[1320px] items-center gap-3 px-4 min-[62.5rem]:px-7">
          <Link to="/" className="pb-1 text-ink no-underline">
            <Wordmark />
          </Link>
          <span className="text-small text-soft max-[32.5rem]:hidden">
            You are trying it: an ordinary kitchen, and nothing is kept.
          </span>
          <Link to="/" className={`${keyLook("quiet")} ml-auto`}>
            The way in
          </Link>
        </div>
      </header>
      <main id="main" className="mx-auto max-w-[1320px] px-4 pb-6 min-[62.5rem]:px-7">
        <Bench />
      </main>
    </>
  );
}
