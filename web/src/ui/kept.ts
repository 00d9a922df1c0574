import { useSyncExternalStore } from "react";

/** State shared by the screens that a reload does not lose: of this tab, or of this device. */
export function kept<T>(key: string, first: T, where: "tab" | "device" = "tab") {
  const store = (): Storage => (where === "tab" ? sessionStorage : localStorage);
  let value = first;
  const told = new Set<() => void>();
  try {
    const raw = store().getItem(key);
    if (raw !== null) value = JSON.parse(raw) as T;
  } catch {
    // an unreadable store is an empty one
  }
  const set = (next: T) => {
    value = next;
    try {
      store().setItem(key, JSON.stringify(next));
    } catch {
      // a full or forbidden store must not stop the cook
    }
    told.forEach((tell) => tell());
  };
  const subscribe = (tell: () => void) => {
    told.add(tell);
    return () => told.delete(tell);
  };
  return {
    get: () => value,
    set,
    subscribe,
    use: (): [T, (next: T) => void] => [useSyncExternalStore(subscribe, () => value), set],
  };
}
