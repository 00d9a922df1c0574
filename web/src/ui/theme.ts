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
