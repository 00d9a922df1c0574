import { useEffect, useRef, useState } from "react";
import type { CookState } from "../../api/client";
import { callBy, chime, say, shake, wakeAudio } from "./call";
import { callsAt, NOTHING_HEARD, ring, spoken, titleFor } from "./calls";

/** Calls for everything that is due, again until something is touched, also after "not yet" and after a reload.
    The sentence for a live region: each call once, however often it sounds. */
export function useCall(state: CookState, minute: number): string {
  const [wanted] = callBy.use();
  const heard = useRef(NOTHING_HEARD);
  const [said, setSaid] = useState("");
  const many = new Set(state.steps.map((s) => s.dish)).size > 1;

  useEffect(() => {
    wakeAudio();
    const touched = () => {
      wakeAudio();
      heard.current = { ...heard.current, touched: Date.now() };
    };
    window.addEventListener("pointerdown", touched);
    window.addEventListener("keydown", touched);
    const name = document.title;
    return () => {
      window.removeEventListener("pointerdown", touched);
      window.removeEventListener("keydown", touched);
      document.title = name;
    };
  }, []);

  useEffect(() => {
    const calls = callsAt(state.steps, minute);
    const before = heard.current.rung;
    const made = ring(heard.current, calls, Date.now());
    heard.current = made.heard;
    document.title = `${titleFor(calls) ?? "Stove"} · Meal Shift`;
    const first = made.rings[0];
    if (!first) return;
    if (wanted.sound) chime(first.when);
    shake(first.when);
    if (wanted.voice) say(made.rings.map((c) => spoken(c, many, wanted)).join(" "));
    const fresh = made.rings.filter((c) => !(c.key in before));
    if (fresh.length > 0) setSaid(fresh.map((c) => spoken(c, many, { words: "short", hail: "" })).join(" "));
  }, [state.steps, minute, wanted, many]);
  return said;
}
