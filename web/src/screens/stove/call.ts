import { useEffect, useState } from "react";
import { kept } from "../../ui/kept";

/** What calls the cook: a sound, a voice if wanted, and a screen that stays awake where the browser allows it. */
export const callBy = kept("mealshift.call", { sound: true, voice: false });

let audio: AudioContext | null = null;
// a page that was reloaded may not sound before it is touched: the call is made up for then
let owed = false;

/** Browsers let a page sound only after a touch: called from one. */
export function wakeAudio(): void {
  try {
    audio ??= new AudioContext();
    void audio.resume().then(() => {
      if (owed) chime();
    });
  } catch {
    audio = null;
  }
}

/** Three soft notes, rising. */
export function chime(): void {
  if (audio?.state !== "running") {
    if (!owed) window.addEventListener("pointerdown", wakeAudio, { once: true });
    owed = true;
    return;
  }
  owed = false;
  const start = audio.currentTime;
  [523.25, 659.25, 783.99].forEach((hertz, i) => {
    if (!audio) return;
    const tone = audio.createOscillator();
    const level = audio.createGain();
    tone.frequency.value = hertz;
    level.gain.setValueAtTime(0.0001, start + i * 0.22);
    level.gain.exponentialRampToValueAtTime(0.35, start + i * 0.22 + 0.03);
    level.gain.exponentialRampToValueAtTime(0.0001, start + i * 0.22 + 0.5);
    tone.connect(level).connect(audio.destination);
    tone.start(start + i * 0.22);
    tone.stop(start + i * 0.22 + 0.55);
  });
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
