import { useEffect, useState } from "react";

/** The value once it has stood still for so many milliseconds. Values that say the same are the same. */
export function useSettled<T>(value: T, ms: number): T {
  const said = JSON.stringify(value);
  const [settled, setSettled] = useState({ said, value });
  useEffect(() => {
    if (said === settled.said) return;
    const timer = setTimeout(() => setSettled({ said, value: JSON.parse(said) as T }), ms);
    return () => clearTimeout(timer);
  }, [said, settled.said, ms]);
  return settled.value;
}
