import type { QueryClient } from "@tanstack/react-query";

// so long must nothing be fetched; so long is waited at most
const STILL_MS = 400;
const MOST_MS = 12_000;

/** When the first screen stands with what it asked for: what is only wanted later takes neither the line nor the processor from it. shown: has a screen been drawn? */
export function whenQuiet(
  client: Pick<QueryClient, "isFetching">,
  shown: () => boolean,
  now: () => number = () => performance.now(),
): Promise<void> {
  const began = now();
  return new Promise((resolve) => {
    let still = began;
    const look = () => {
      const at = now();
      if (!shown() || client.isFetching() > 0 || document.readyState !== "complete") still = at;
      if (at - still >= STILL_MS || at - began >= MOST_MS) resolve();
      else window.setTimeout(look, 100);
    };
    look();
  });
}
