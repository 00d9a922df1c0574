import { useQueryClient } from "@tanstack/react-query";
import { lazy, Suspense, useEffect, useLayoutEffect, useRef, type ReactNode } from "react";
import { lastSession, useSession } from "./api/queries";
import { allChanged } from "./api/subjects";
import { Header } from "./Header";
import * as Screen from "./screens/all";
import { setManner } from "./job/manner";
import { titleOf } from "./places";
import { Boundary } from "./ui/Boundary";
import { keyLook } from "./ui/bits";
import { keysShown, useKeys } from "./ui/keys";
import { Link, Redirect, Route, Switch, useLocation, useNavigate, useRoute } from "./ui/route";

// it says nothing before the first thing is thrown away
const Bar = lazy(() => import("./ui/Bar").then((m) => ({ default: m.Bar })));
const Keys = lazy(() => import("./ui/Keys").then((m) => ({ default: m.Keys })));

/** Keys for what is touched most, and their list under "?". */
function WithKeys() {
  const [shown, show] = keysShown.use();
  useKeys(useNavigate());
  return shown ? (
    <Suspense>
      <Keys onClose={() => show(false)} />
    </Suspense>
  ) : null;
}

export function App() {
  const session = useSession();
  const who = session.data;
  useEffect(() => {
    if (!who) return;
    lastSession.set(who.signed_in ? who : null);
    if (!who.signed_in) {
      void import("./screens/stove/store").then((m) => m.forgetSeen());
      void import("./screens/plan/tonight").then((m) => m.tonight.forget());
    }
  }, [who]);
  const inside = who?.signed_in ?? false;
  useEffect(() => {
    if (!inside) return;
    const sharing = import("./screens/draft").then((m) => m.shareDraft());
    return () => void sharing.then((end) => end());
  }, [inside]);
  const client = useQueryClient();
  const { pathname } = useLocation();
  const shown = Number(/^\/stove\/(\d+)$/.exec(pathname)?.[1] ?? 0);
  useEffect(() => {
    if (!inside) return;
    const home = () =>
      void import("./screens/stove/deliver")
        .then((m) => m.deliver(shown))
        .then((n) => (n > 0 ? allChanged(client) : undefined))
        // without the network there is nobody to bring it to
        .catch(() => undefined);
    home();
    window.addEventListener("online", home);
    return () => window.removeEventListener("online", home);
  }, [inside, shown, client]);
  const [joining] = useRoute("/join/:token");
  if (joining)
    return (
      <Held>
        <Switch>
          <Route path="/join/:token">
            <Screen.Join />
          </Route>
        </Switch>
      </Held>
    );
  if (session.isPending) return <div className="min-h-screen" />;
  if (!session.data?.signed_in) {
    const door = <Screen.SignIn mayFound={session.data?.may_found ?? false} empty={session.data?.empty ?? false} />;
    return (
      <Held>
        <Switch>
          <Route path="/bench">
            <Screen.Tried door={door} />
          </Route>
          <Route>{door}</Route>
        </Switch>
      </Held>
    );
  }
  setManner(session.data.manner, session.data.cup_ml);
  return (
    // told otherwise, every number on the screen is said anew
    <div key={JSON.stringify([session.data.manner, session.data.cup_ml])} className="min-h-screen">
      <a
        href="#main"
        className="sr-only focus:not-sr-only focus:absolute focus:left-3 focus:top-2 focus:z-50 focus:bg-sheet focus:p-2"
      >
        To the page
      </a>
      <Header name={session.data.household} />
      <Suspense>
        <Bar />
      </Suspense>
      <WithKeys />
      <Main>
        <Switch>
          <Route path="/">
            <Redirect to="/bring" replace />
          </Route>
          <Route path="/bring">
            <Screen.Bring />
          </Route>
          <Route path="/bench">
            <Screen.Bench />
          </Route>
          <Route path="/every">
            <Screen.Every />
          </Route>
          <Route path="/grains">
            <Screen.Grains />
          </Route>
          <Route path="/grains/:slug">
            <Screen.GrainPage />
          </Route>
          <Route path="/plan">
            <Screen.Plan />
          </Route>
          <Route path="/stove">
            <Screen.Cookings />
          </Route>
          <Route path="/stove/:id">
            <Screen.Stove />
          </Route>
          <Route path="/kitchen">
            <Screen.Kitchen />
          </Route>
          <Route path="/kitchen/pots/:id/boil-off">
            <Screen.BoilOff />
          </Route>
          <Route path="/notebook">
            <Screen.Notebook />
          </Route>
          <Route path="/practice">
            <Screen.Training />
          </Route>
          <Route path="/week">
            <Screen.Week />
          </Route>
          <Route path="/larder">
            <Screen.Larder />
          </Route>
          <Route path="/house">
            <Screen.House />
          </Route>
          <Route path="/kept">
            <Screen.Kept />
          </Route>
          <Route path="/kept/:id">
            <Screen.KeptShift />
          </Route>
          <Route>
            <Nowhere />
          </Route>
        </Switch>
      </Main>
    </div>
  );
}

/** A screen may fail, or still be on its way: both are said in its place. */
function Held({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  return (
    <Boundary place={pathname}>
      <Suspense fallback={<p className="px-5 pt-16 text-body text-soft">One moment…</p>}>{children}</Suspense>
    </Boundary>
  );
}

/** The page under the head. On a change of place its name is the window's, and reading begins at its top. */
function Main({ children }: { children: ReactNode }) {
  const { pathname } = useLocation();
  const main = useRef<HTMLElement>(null);
  const before = useRef(pathname);
  // before it is painted: a key struck at once is not lost to the old place
  useLayoutEffect(() => {
    document.title = `${titleOf(pathname)} · Meal Shift`;
    // the way from "/" to the first screen is nobody's step
    if (before.current !== pathname && before.current !== "/") main.current?.focus({ preventScroll: true });
    before.current = pathname;
  }, [pathname]);
  return (
    <main
      id="main"
      ref={main}
      tabIndex={-1}
      className="mx-auto max-w-[1320px] px-4 pb-6 outline-none min-[62.5rem]:px-7"
    >
      <Held>{children}</Held>
    </main>
  );
}

function Nowhere() {
  return (
    <section className="mx-auto mt-16 max-w-[46ch]">
      <h1 className="text-title">There is nothing at this address</h1>
      <p className="mt-2 text-body">
        It may have been taken off, or mistyped. What you keep is under Kept, the cooking that is on under Stove.
      </p>
      <Link to="/bring" className={`${keyLook("main")} mt-4`}>
        Bring a recipe
      </Link>
    </section>
  );
}
