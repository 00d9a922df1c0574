import { useEffect } from "react";

export type Theme = "light" | "dark";
const KEY = "mealshift.theme";

const system = (): Theme => (window.matchMedia("(prefers-color-scheme: dark)").matches ? "dark" : "light");

/** The cook's own choice if there is one, else what the device says. */
export function currentTheme(): Theme {
  const kept = localStorage.getItem(KEY);
  return kept === "light" || kept === "dark" ? kept : system();
}

function show(theme: Theme): void {
  document.documentElement.dataset.theme = theme;
}

export function startTheme(): void {
  show(currentTheme());
  window.matchMedia("(prefers-color-scheme: dark)").addEventListener("change", () => show(currentTheme()));
}

export function setTheme(theme: Theme): void {
  localStorage.setItem(KEY, theme);
  show(theme);
}

/** Dark while this screen is open, unless the cook has chosen light or dark for themselves. */
export function useDarkHere(): void {
  useEffect(() => {
    if (localStorage.getItem(KEY) !== null) return;
    show("dark");
    return () => show(currentTheme());
  }, []);
}
