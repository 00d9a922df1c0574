import type { Entry } from "../../api/client";
import { dated } from "../../job/manner";

/** What the two scales say, from −2 to 2. */
export const WET = ["dry", "a little dry", "right", "a little wet", "wet"] as const;
export const SOFT = ["hard", "a little hard", "right", "a little soft", "mush"] as const;

/** "a little dry, and right to the bite"; what was not said is left out. */
export function said(entry: Pick<Entry, "wet" | "soft">): string {
  const wet = entry.wet === null ? null : WET[entry.wet + 2];
  const soft = entry.soft === null ? null : SOFT[entry.soft + 2];
  if (wet === null && soft === null) return "not said how it came out";
  if (wet === "right" && soft === "right") return "just right";
  const parts = [wet === "right" ? "water right" : wet, soft === "right" ? "bite right" : soft];
  return parts.filter(Boolean).join(", ");
}

/** 2026-11-25 → "25 Nov"; with the year if it is another. */
export function dayOf(on: string, now: Date): string {
  const at = new Date(`${on}T12:00`);
  return dated(at, {
    day: "numeric",
    month: "short",
    ...(at.getFullYear() === now.getFullYear() ? {} : { year: "numeric" }),
  });
}
