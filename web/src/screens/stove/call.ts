import { useEffect, useState, useSyncExternalStore } from "react";
import { kept } from "../../ui/kept";
import type { Call, Wanted } from "./calls";

/** What calls the cook: a sound, a voice if wanted, the hand if the device can, and a screen that stays awake where the browser allows it. */
export const callBy = kept<Wanted>("mealshift.call", { sound: true, voice: false, words: "short", hail: "" }, "device");

let audio: AudioContext | null = null;
const told = new Set<() => void>();

/** Browsers let a page sound only after a touch: called from one, and tried when the stove opens. */
export function wakeAudio(): void {
  try {
    if (!audio) {
      audio = new AudioContext();
      audio.addEventListener("statechange", () => told.forEach((tell) => tell()));
    }
    void audio.resume().catch(() => undefined);
  } catch {
    audio = null;
  }
}

const subscribe = (tell: () => void) => {
  told.add(tell);
  return () => told.delete(tell);
};

/** May this page sound already? False after a reload, until it is touched. */
export const useAudioAwake = (): boolean => useSyncExternalStore(subscribe, () => audio?.state === "running");

function play(notes: readonly number[], loud: number): void {
  if (audio?.state !== "running") return;
  const start = audio.currentTime;
  notes.forEach((hertz, i) => {
    if (!audio) return;
    const tone = audio.createOscillator();
    const level = audio.createGain();
    tone.frequency.value = hertz;
    level.gain.setValueAtTime(0.0001, start + i * 0.22);
    level.gain.exponentialRampToValueAtTime(loud, start + i * 0.22 + 0.03);
    level.gain.exponentialRampToValueAtTime(0.0001, start + i * 0.22 + 0.5);
    tone.connect(level).connect(audio.destination);
    tone.start(start + i * 0.22);
    tone.stop(start + i * 0.22 + 0.55);
  });
}

/** Three notes, rising; half a minute before, one soft one. */
export function chime(when: Call["when"]): void {
  if (when === "now") play([523.25, 659.25, 783.99], 0.35);
  else play([659.25], 0.12);
}

export function shake(when: Call["when"]): void {
  if ("vibrate" in navigator) navigator.vibrate(when === "now" ? [300, 120, 300] : [120]);
}

export function say(text: string): void {
  if (!("speechSynthesis" in window)) return;
  window.speechSynthesis.cancel();
  const said = new SpeechSynthesisUtterance(text);
  said.lang = "en-GB";
  window.speechSynthesis.speak(said);
}

/** Keeps the screen awake; false where the browser will not (a page without HTTPS, an old browser). */
export function useAwake(): boolean {
  const [awake, setAwake] = useState(false);
  useEffect(() => {
    let lock: WakeLockSentinel | null = null;
    let gone = false;
    const hold = async () => {
      if (!("wakeLock" in navigator) || document.visibilityState !== "visible") return;
      try {
        lock = await navigator.wakeLock.request("screen");
        if (gone) return void lock.release();
        setAwake(true);
        lock.addEventListener("release", () => setAwake(false));
      } catch {
        setAwake(false);
      }
    };
    void hold();
    document.addEventListener("visibilitychange", hold);
    return () => {
      gone = true;
      document.removeEventListener("visibilitychange", hold);
      void lock?.release();
    };
  }, []);
  return awake;
}
