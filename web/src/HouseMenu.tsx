import { useQueryClient } from "@tanstack/react-query";
import { Keyboard, LogOut, Menu, Moon, Sun } from "lucide-react";
import { Popover } from "radix-ui";
import { useState } from "react";
import { NavLink } from "./ui/route";
import { answer, api } from "./api/client";
import { MORE } from "./places";
import { draft, NO_DRAFT, takenUp } from "./screens/draft";
import { settle } from "./ui/gone";
import { keysShown } from "./ui/keys";
import { currentTheme, setTheme } from "./ui/theme";

const icon = "grid h-11 w-11 place-items-center rounded-key text-soft hover:text-ink";

/** The places of the house, light or dark, the keys, and the way out. It comes with its first touch, and is open then. */
export function HouseMenu({ name }: { name: string }) {
  const [open, setOpen] = useState(true);
  const [theme, show] = useState(currentTheme);
  const client = useQueryClient();
  const turn = () => {
    const next = theme === "dark" ? "light" : "dark";
    setTheme(next);
    show(next);
  };
  const leave = async () => {
    await settle();
    const out = await answer(api.DELETE("/api/session"));
    client.setQueryData(["session"], out);
    draft.set(NO_DRAFT);
    takenUp.set(null);
    client.removeQueries({ predicate: (q) => q.queryKey[0] !== "session" });
  };
  const link = "flex min-h-12 items-center rounded-key px-3 text-body text-ink no-underline hover:bg-quiet";
  return (
    <Popover.Root open={open} onOpenChange={setOpen}>
      <Popover.Trigger
        aria-label="House"
        className="grid h-11 w-11 shrink-0 place-items-center rounded-key text-soft hover:text-ink max-[61.1875rem]:ml-auto"
      >
        <Menu size={21} />
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          aria-label="House"
          align="end"
          sideOffset={6}
          className="z-40 w-56 rounded-sheet border border-line bg-sheet p-2 text-ink shadow-jug"
          onClick={(e) => e.target instanceof HTMLAnchorElement && setOpen(false)}
        >
          <p className="border-b border-line px-3 pb-2 text-small text-soft">{name}</p>
          <nav aria-label="House">
            {MORE.map(([to, word, narrow]) => (
              <NavLink key={to} to={to} className={`${link} ${narrow ? "min-[61.25rem]:hidden" : ""}`}>
                {word}
              </NavLink>
            ))}
          </nav>
          <span className="mt-1 flex border-t border-line pt-1">
            <button type="button" onClick={turn} aria-label={theme === "dark" ? "Light" : "Dark"} className={icon}>
              {theme === "dark" ? <Sun size={19} /> : <Moon size={19} />}
            </button>
            <button
              type="button"
              aria-label="Keys"
              className={icon}
              onClick={() => {
                setOpen(false);
                keysShown.set(true);
              }}
            >
              <Keyboard size={19} />
            </button>
            <button type="button" onClick={() => void leave()} aria-label="Sign out" className={`${icon} ml-auto`}>
              <LogOut size={19} />
            </button>
          </span>
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
