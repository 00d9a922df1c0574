import { lazy, Suspense, useEffect, useState } from "react";
import { NavLink, useLocation } from "./ui/route";
import { been, HOME, WAY } from "./places";
import { Wordmark } from "./ui/Wordmark";

export const houseMenu = () => import("./HouseMenu");
const HouseMenu = lazy(() => houseMenu().then((m) => ({ default: m.HouseMenu })));

/** The menu's parts are fetched with its first touch, or when there is time. */
function House({ name }: { name: string }) {
  const [wanted, want] = useState(false);
  const closed = (
    <button
      type="button"
      aria-label="House"
      aria-haspopup="dialog"
      aria-expanded={wanted}
      onPointerEnter={() => void houseMenu()}
      onClick={() => want(true)}
      className="grid h-11 w-11 shrink-0 place-items-center rounded-key text-soft hover:text-ink max-[61.1875rem]:ml-auto"
    >
      <svg viewBox="0 0 24 24" width="21" height="21" aria-hidden="true">
        <path d="M4 5h16M4 12h16M4 19h16" fill="none" stroke="currentColor" strokeWidth="2" strokeLinecap="round" />
      </svg>
    </button>
  );
  return wanted ? (
    <Suspense fallback={closed}>
      <HouseMenu name={name} />
    </Suspense>
  ) : (
    closed
  );
}

export function Header({ name }: { name: string }) {
  const { pathname } = useLocation();
  const [met, meet] = been.use();
  const here = `/${pathname.split("/")[1] ?? ""}`;
  useEffect(() => {
    if (WAY.some(([to]) => to === here) && !been.get().includes(here)) meet([...been.get(), here]);
  }, [here, meet]);
  const look = (isActive: boolean) =>
    `border-b-[3px] no-underline ${isActive ? "border-ink font-bold text-ink" : "border-transparent text-soft hover:text-ink"}`;
  const strange = WAY.some(([to]) => !met.includes(to));
  return (
    <header className="border-b border-line">
      <div className="mx-auto flex min-h-12 max-w-[1320px] items-center gap-1 px-4 min-[62.5rem]:px-7">
        <NavLink
          to="/bring"
          className="mr-1.5 flex min-h-11 items-center pb-1 text-ink no-underline max-[21.8125rem]:hidden min-[32.5625rem]:mr-4"
        >
          <Wordmark />
        </NavLink>
        <nav aria-label="The way of a recipe">
          <ol className="m-0 flex list-none p-0">
            {WAY.map(([to, word, what, onPhone], i) => (
              <li key={to} className={`flex items-stretch ${onPhone ? "" : "max-[61.1875rem]:hidden"}`}>
                {i > 0 && (
                  <span
                    aria-hidden="true"
                    className="w-4 self-center border-t-[1.5px] border-soft opacity-60 max-[61.1875rem]:hidden min-[73.75rem]:w-8"
                  />
                )}
                <NavLink
                  to={to}
                  className={({ isActive }) =>
                    `flex min-h-12 flex-col justify-center px-1 text-small min-[25rem]:px-1.5 min-[32.5625rem]:px-2 min-[32.5625rem]:text-body ${look(isActive)}`
                  }
                >
                  {({ isActive }) => (
                    <>
                      <span className="flex items-center gap-2">
                        <span
                          aria-hidden="true"
                          className={`h-2.5 w-2.5 rounded-full border-2 max-[61.1875rem]:hidden ${isActive ? "border-ink bg-ink" : met.includes(to) ? "border-soft bg-soft" : "border-soft"}`}
                        />
                        {word}
                      </span>
                      {strange && !met.includes(to) && (
                        <span className="-mt-0.5 pl-[1.15rem] text-fine leading-tight whitespace-nowrap font-normal text-soft max-[73.6875rem]:hidden">
                          {what}
                        </span>
                      )}
                    </>
                  )}
                </NavLink>
              </li>
            ))}
          </ol>
        </nav>
        <nav aria-label="The house" className="ml-auto flex max-[61.1875rem]:hidden">
          {HOME.map(([to, word]) => (
            <NavLink
              key={to}
              to={to}
              className={({ isActive }) => `flex min-h-12 items-center px-2 text-small ${look(isActive)}`}
            >
              {word}
            </NavLink>
          ))}
        </nav>
        <House name={name} />
      </div>
    </header>
  );
}
