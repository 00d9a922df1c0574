import { useSyncExternalStore } from "react";

const query = "(min-width: 62.5rem)";
const subscribe = (told: () => void) => {
  const list = window.matchMedia(query);
  list.addEventListener("change", told);
  return () => list.removeEventListener("change", told);
};

/** Is there room for two pages side by side? */
export const useWide = (): boolean => useSyncExternalStore(subscribe, () => window.matchMedia(query).matches);
