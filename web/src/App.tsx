import { useQueryClient } from "@tanstack/react-query";
import { LogOut, Moon, Sun } from "lucide-react";
import { useState } from "react";
import { Navigate, NavLink, Route, Routes } from "react-router";
import { answer, api } from "./api/client";
import { useSession } from "./api/queries";
import { draft, NO_DRAFT } from "./screens/draft";
import { Bench } from "./screens/bench/Bench";
import { Bring } from "./screens/bring/Bring";
import { Every } from "./screens/every/Every";
import { GrainPage } from "./screens/grain/GrainPage";
import { Grains } from "./screens/grain/Grains";
import { Kept } from "./screens/kept/Kept";
import { KeptShift } from "./screens/kept/KeptShift";
import { Plan } from "./screens/plan/Plan";
import { SignIn } from "./screens/SignIn";
import { currentTheme, setTheme } from "./ui/theme";

export function App() {
  const session = useSession();
  if (session.isPending) return <div className="min-h-screen" />;
  if (!session.data?.signed_in) return <SignIn />;
  return (
    <div className="min-h-screen">
      <a href="#main" className="sr-only focus:not-sr-only focus:absolute focus:left-3 focus:top-2 focus:z-50 focus:bg-sheet focus:p-2">
        To the page
      </a>
      <Header name={session.data.household} />
      <main id="main" className="mx-auto max-w-[1320px] px-4 pb-6 min-[1000px]:px-7">
        <Routes>
          <Route path="/" element={<Navigate to="/bring" replace />} />
          <Route path="/bring" element={<Bring />} />
          <Route path="/bench" element={<Bench />} />
          <Route path="/every" element={<Every />} />
          <Route path="/grains" element={<Grains />} />
          <Route path="/grains/:slug" element={<GrainPage />} />
          <Route path="/plan" element={<Plan />} />
          <Route path="/kept" element={<Kept />} />
          <Route path="/kept/:id" element={<KeptShift />} />
          <Route path="*" element={<Navigate to="/bring" replace />} />
        </Routes>
      </main>
    </div>
  );
}

export function Wordmark() {
  return (
    <span className="font-show text-[23px] leading-none font-[720] tracking-[-0.03em]">
      Meal<span className="relative top-[5px] -ml-px text-water">Shift</span>
    </span>
  );
}

/** Light or dark, and the way out: in the header, on a phone at the foot of Kept. */
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
    draft.set(NO_DRAFT);
    client.removeQueries({ predicate: (q) => q.queryKey[0] !== "session" });
    client.setQueryData(["session"], out);
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

function Header({ name }: { name: string }) {
  const place = ({ isActive }: { isActive: boolean }) =>
    `flex h-12 items-center px-1.5 text-[15px] min-[521px]:px-2.5 min-[521px]:text-[16px] no-underline border-b-[3px] ${isActive ? "border-ink font-bold text-ink" : "border-transparent text-soft hover:text-ink"}`;
  return (
    <header className="border-b border-line">
      <div className="mx-auto flex h-12 max-w-[1320px] items-center gap-1 px-4 min-[1000px]:px-7">
        <NavLink to="/bring" className="mr-1.5 pb-1 text-ink min-[521px]:mr-3 no-underline">
          <Wordmark />
        </NavLink>
        <nav aria-label="Screens" className="flex">
          <NavLink to="/bring" className={place}>
            Bring
          </NavLink>
          <NavLink to="/bench" className={place}>
            Bench
          </NavLink>
          <NavLink to="/every" className={place}>
            <span className="max-[520px]:hidden">Every grain</span>
            <span className="min-[521px]:hidden">Every</span>
          </NavLink>
          <NavLink to="/grains" className={({ isActive }) => `${place({ isActive })} max-[520px]:hidden`}>
            Grains
          </NavLink>
          <NavLink to="/plan" className={place}>
            Plan
          </NavLink>
          <NavLink to="/kept" className={place}>
            Kept
          </NavLink>
        </nav>
        <span className="ml-auto truncate text-[14px] text-soft max-[860px]:invisible max-[520px]:hidden">{name}</span>
        <span className="ml-2 hidden min-[521px]:flex">
          <HouseKeys />
        </span>
      </div>
    </header>
  );
}
