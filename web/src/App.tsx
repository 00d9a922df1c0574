import { useQueryClient } from "@tanstack/react-query";
import { LogOut, Menu, Moon, Sun } from "lucide-react";
import { Popover } from "radix-ui";
import { Suspense, useEffect, useRef, useState, type ReactNode } from "react";
import { Link, Navigate, NavLink, Route, Routes, useLocation, useMatch } from "react-router";
import { answer, api } from "./api/client";
import { lastSession, useSession } from "./api/queries";
import * as Screen from "./screens/all";
import { setManner, usual } from "./job/manner";
import { draft, NO_DRAFT, shareDraft, takenUp } from "./screens/draft";
import { tonight } from "./screens/plan/tonight";
import { deliver } from "./screens/stove/deliver";
import { forgetSeen } from "./screens/stove/store";
import { Boundary } from "./ui/Boundary";
import { keyLook } from "./ui/bits";
import { kept as keptStore } from "./ui/kept";
import { Wordmark } from "./ui/Wordmark";
import { currentTheme, setTheme } from "./ui/theme";

export function App() {
  const session = useSession();
  const who = session.data;
  useEffect(() => {
    if (!who) return;
    lastSession.set(who.signed_in ? who : null);
    if (!who.signed_in) {
      forgetSeen();
      tonight.forget();
    }
  }, [who]);
  const inside = who?.signed_in ?? false;
  useEffect(() => (inside ? shareDraft() : undefined), [inside]);
  const client = useQueryClient();
  const { pathname } = useLocation();
  const shown = Number(/^\/stove\/(\d+)$/.exec(pathname)?.[1] ?? 0);
  useEffect(() => {
    if (!inside) return;
    const home = () => void deliver(shown).then((n) => (n > 0 ? client.invalidateQueries() : undefined));
    home();
    window.addEventListener("online", home);
    return () => window.removeEventListener("online", home);
  }, [inside, shown, client]);
  const joining = useMatch("/join/:token");
  if (joining)
    return (
      <Held>
        <Routes>
          <Route path="/join/:token" element={<Screen.Join />} />
        </Routes>
      </Held>
    );
  if (session.isPending) return <div className="min-h-screen" />;
  if (!session.data?.signed_in) {
    const door = <Screen.SignIn mayFound={session.data?.may_found ?? false} empty={session.data?.empty ?? false} />;
    return (
      <Held>
        <Routes>
          <Route path="/bench" element={draft.get().text === "" ? door : <Tried />} />
          <Route path="*" element={door} />
        </Routes>
      </Held>
    );
  }
  setManner(session.data.manner);
  return (
    // told otherwise, every number on the screen is said anew
    <div key={JSON.stringify(session.data.manner)} className="min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:left-3 focus:top-2 focus:z-50 focus:bg-sheet focus:p-2">
        To the page
      </a>
      <Header name={session.data.household} />
      <Main>
        <Routes>
          <Route path="/" element={<Navigate to="/bring" replace />} />
          <Route path="/bring" element={<Screen.Bring />} />
          <Route path="/bench" element={<Screen.Bench />} />
          <Route path="/every" element={<Screen.Every />} />
          <Route path="/grains" element={<Screen.Grains />} />
          <Route path="/grains/:slug" element={<Screen.GrainPage />} />
          <Route path="/plan" element={<Screen.Plan />} />
          <Route path="/stove" element={<Screen.Cookings />} />
          <Route path="/stove/:id" element={<Screen.Stove />} />
          <Route path="/kitchen" element={<Screen.Kitchen />} />
          <Route path="/kitchen/pots/:id/boil-off" element={<Screen.BoilOff />} />
          <Route path="/notebook" element={<Screen.Notebook />} />
          <Route path="/practice" element={<Screen.Training />} />
          <Route path="/week" element={<Screen.Week />} />
          <Route path="/larder" element={<Screen.Larder />} />
          <Route path="/house" element={<Screen.House />} />
          <Route path="/kept" element={<Screen.Kept />} />
          <Route path="/kept/:id" element={<Screen.KeptShift />} />
          <Route path="*" element={<Nowhere />} />
        </Routes>
      </Main>
    </div>
  );
}

/** The bench for who has no account: all of it works, and nothing is kept. */
function Tried() {
  setManner({ ...usual(navigator.language), heat: "" });
  return (
    <>
      <header className="border-b border-line">
        <div className="mx-auto flex min-h-12 max-w-[1320px] items-center gap-3 px-4 min-[1000px]:px-7">
          <Link to="/" className="pb-1 text-ink no-underline">
            <Wordmark />
          </Link>
          <span className="text-[15px] text-soft max-[520px]:hidden">You are trying it: an ordinary kitchen, and nothing is kept.</span>
          <Link to="/" className={`${keyLook("quiet")} ml-auto`}>
            The way in
          </Link>
        </div>
      </header>
      <Main>
        <Screen.Bench />
      </Main>
    </>
  );
}

/** A screen may fail, or still be on its way: both are said in its place. */
function Held({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  return (
    <Boundary place={pathname}>
      <Suspense fallback={<p className="px-5 pt-16 text-[17px] text-soft">One moment…</p>}>{children}</Suspense>
    </Boundary>
  );
}

/** The page under the head. On a change of place its name is the window's, and reading begins at its top. */
function Main({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  const main = useRef<HTMLElement>(null);
  const before = useRef(pathname);
  useEffect(() => {
    document.title = `${titleOf(pathname)} · Meal Shift`;
    // the way from "/" to the first screen is nobody's step
    if (before.current !== pathname && before.current !== "/") main.current?.focus({ preventScroll: true });
    before.current = pathname;
  }, [pathname]);
  return (
    <main id="main" ref={main} tabIndex={-1} className="mx-auto max-w-[1320px] px-4 pb-6 outline-none min-[1000px]:px-7">
      <Held>{children}</Held>
    </main>
  );
}

export function titleOf(path: string): string {
  const root = `/${path.split("/")[1] ?? ""}`;
  return [...WAY, ...MORE].find(([to]) => to === root)?.[1] ?? "Nothing here";
}

function Nowhere() {
  return (
    <section className="mx-auto mt-16 max-w-[46ch]">
      <h1 className="text-[27px]">There is nothing at this address</h1>
      <p className="mt-2 text-[17px]">It may have been taken off, or mistyped. What you keep is under Kept, the cooking that is on under Stove.</p>
      <Link to="/bring" className={`${keyLook("main")} mt-4`}>
        Bring a recipe
      </Link>
    </section>
  );
}

/** Light or dark, and the way out. */
export function HouseKeys() {
  const [theme, show] = useState(currentTheme);
  const client = useQueryClient();
  const turn = () => {
    const next = theme === "dark" ? "light" : "dark";
    setTheme(next);
    show(next);
  };
  const leave = async () => {
    const out = await answer(api.DELETE("/api/session"));
    client.setQueryData(["session"], out);
    draft.set(NO_DRAFT);
    takenUp.set(null);
    client.removeQueries({ predicate: (q) => q.queryKey[0] !== "session" });
  };
  return (
    <>
      <button type="button" onClick={turn} aria-label={theme === "dark" ? "Light" : "Dark"} className="grid h-11 w-11 place-items-center rounded-key text-soft hover:text-ink">
        {theme === "dark" ? <Sun size={19} /> : <Moon size={19} />}
      </button>
      <button type="button" onClick={() => void leave()} aria-label="Sign out" className="grid h-11 w-11 place-items-center rounded-key text-soft hover:text-ink">
        <LogOut size={19} />
      </button>
    </>
  );
}

/** The way of a recipe, one step after the other, and what each is for: said until one has been there once. */
const WAY: [to: string, word: string, what: string, onPhone: boolean][] = [
  ["/bring", "Bring", "your recipe", true],
  ["/bench", "Bench", "another grain", true],
  ["/plan", "Plan", "when to begin", true],
  ["/stove", "Stove", "step by step", true],
  ["/notebook", "Notebook", "how it came out", false],
];
/** The places of the house, apart from the way. */
const HOME: [string, string][] = [
  ["/week", "Week"],
  ["/kept", "Kept"],
  ["/larder", "Larder"],
  ["/grains", "Grains"],
  ["/kitchen", "Kitchen"],
];
/** What the menu holds; narrow: only where the head has no room for it. */
const MORE: [to: string, word: string, narrow: boolean][] = [
  ["/notebook", "Notebook", true],
  ...HOME.map(([to, word]): [string, string, boolean] => [to, word, true]),
  ["/every", "Every grain", false],
  ["/practice", "Practice pot", false],
  ["/house", "Members, units, backup", false],
];
const been = keptStore<string[]>("been", [], "device");

function House({ name }: { name: string }) {
  const [open, setOpen] = useState(false);
  const link = "flex min-h-12 items-center rounded-key px-3 text-[17px] text-ink no-underline hover:bg-quiet";
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger aria-label="House" className="grid h-11 w-11 shrink-0 place-items-center rounded-key text-soft hover:text-ink max-[979px]:ml-auto">
        <Menu size={21} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content aria-label="House" align="end" sideOffset={6} className="z-40 w-56 rounded-sheet border border-line bg-sheet p-2 text-ink shadow-jug" onClick={(e) => e.target instanceof HTMLAnchorElement && setOpen(false)}>
          <p className="border-b border-line px-3 pb-2 text-sm text-soft">{name}</p>
          <nav aria-label="House">
            {MORE.map(([to, word, narrow]) => (
              <NavLink key={to} to={to} className={`${link} ${narrow ? "min-[980px]:hidden" : ""}`}>
                {word}
              </NavLink>
            ))}
          </nav>
          <span className="mt-1 flex border-t border-line pt-1">
            <HouseKeys />
          </span>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}

function Header({ name }: { name: string }) {
  const { pathname } = useLocation();
  const [met, meet] = been.use();
  const here = `/${pathname.split("/")[1] ?? ""}`;
  useEffect(() => {
    if (WAY.some(([to]) => to === here) && !been.get().includes(here)) meet([...been.get(), here]);
  }, [here, meet]);
  const look = (isActive: boolean) => `border-b-[3px] no-underline ${isActive ? "border-ink font-bold text-ink" : "border-transparent text-soft hover:text-ink"}`;
  const strange = WAY.some(([to]) => !met.includes(to));
  return (
    <header className="border-b border-line">
      <div className="mx-auto flex min-h-12 max-w-[1320px] items-center gap-1 px-4 min-[1000px]:px-7">
        <NavLink to="/bring" className="mr-1.5 pb-1 text-ink no-underline max-[349px]:hidden min-[521px]:mr-4">
          <Wordmark />
        </NavLink>
        <nav aria-label="The way of a recipe">
          <ol className="m-0 flex list-none p-0">
            {WAY.map(([to, word, what, onPhone], i) => (
              <li key={to} className={`flex items-stretch ${onPhone ? "" : "max-[979px]:hidden"}`}>
                {i > 0 && <span aria-hidden="true" className="w-4 self-center border-t-[1.5px] border-soft opacity-60 max-[979px]:hidden min-[1180px]:w-8" />}
                <NavLink to={to} className={({ isActive }) => `flex min-h-12 flex-col justify-center px-1 text-[15px] min-[400px]:px-1.5 min-[521px]:px-2 min-[521px]:text-base ${look(isActive)}`}>
                  {({ isActive }) => (
                    <>
                      <span className="flex items-center gap-2">
                        <span aria-hidden="true" className={`h-2.5 w-2.5 rounded-full border-2 max-[979px]:hidden ${isActive ? "border-ink bg-ink" : met.includes(to) ? "border-soft bg-soft" : "border-soft"}`} />
                        {word}
                      </span>
                      {strange && !met.includes(to) && <span className="-mt-0.5 pl-[1.15rem] text-[13px] leading-tight whitespace-nowrap font-normal text-soft max-[1179px]:hidden">{what}</span>}
                    </>
                  )}
                </NavLink>
              </li>
            ))}
          </ol>
        </nav>
        <nav aria-label="The house" className="ml-auto flex max-[979px]:hidden">
          {HOME.map(([to, word]) => (
            <NavLink key={to} to={to} className={({ isActive }) => `flex min-h-12 items-center px-2 text-[15px] ${look(isActive)}`}>
              {word}
            </NavLink>
          ))}
        </nav>
        <House name={name} />
      </div>
    </header>
  );
}
