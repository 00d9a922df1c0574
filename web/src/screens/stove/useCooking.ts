import { useCallback, useEffect, useRef, useState } from "react";
import { answer, api, TroubleError, type CookingInfo, type CookState, type Trouble } from "../../api/client";
import { asTrouble } from "../../api/client";
import { ahead, type Touch } from "./ahead";
import { load, newId, save } from "./queue";

export interface Cooking {
  info: CookingInfo | null;
  state: CookState | null;
  /** kitchen minutes since the start, now */
  minute: number;
  touch: (kind: string, data: Touch["data"]) => string;
  waiting: number;
  offline: boolean;
  trouble: Trouble | null;
  refresh: () => Promise<void>;
}

/** One cooking as the server knows it, with this device's own touches on top; asks anew every second or two. */
export function useCooking(id: number): Cooking {
  const [info, setInfo] = useState<CookingInfo | null>(null);
  const [state, setState] = useState<CookState | null>(null);
  const [touches, setTouches] = useState<Touch[]>(() => load(id));
  const [offline, setOffline] = useState(false);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [minute, setMinute] = useState(0);
  const synced = useRef({ minute: 0, at: 0, speed: 0, last: -1 });
  const pending = useRef<Touch[]>(touches);
  const busy = useRef(false);
  const asked = useRef(0);
  const kitchenMinute = useCallback(() => synced.current.minute + ((performance.now() - synced.current.at) / 60_000) * synced.current.speed, []);

  const put = useCallback(
    (next: Touch[]) => {
      pending.current = next;
      save(id, next);
      setTouches(next);
    },
    [id],
  );

  const sync = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const sent = pending.current;
      if (sent.length > 0) {
        const events = sent.map((t) => ({ id: t.id, kind: t.kind, data: t.data, ago_ms: Math.max(0, Date.now() - t.at) }));
        try {
          const { refused } = await answer(api.POST("/api/cookings/{cooking_id}/events", { params: { path: { cooking_id: id } }, body: { events } }));
          // one that cannot be is refused alone; it is said once and not sent again, all others were taken
          if (refused?.[0]) setTrouble(refused[0]);
        } catch (fault) {
          if (!(fault instanceof TroubleError) || fault.status === 0 || fault.status >= 500) throw fault;
          // refused for good: said once, and not sent again
          setTrouble(fault.trouble);
        }
      }
      // what is late grows later while nothing happens: the whole state is asked for now and then
      const known = synced.current.last >= 0 && sent.length === 0 && asked.current++ % 5 !== 0;
      const got = await answer(api.GET("/api/cookings/{cooking_id}", { params: { path: { cooking_id: id }, query: known ? { since: synced.current.last } : {} } }));
      synced.current = { minute: got.minute, at: performance.now(), speed: got.speed, last: got.last };
      setInfo(got);
      setMinute(got.minute);
      if (got.state) setState(got.state);
      // only now: the fresh state already holds what was sent
      if (sent.length > 0) put(pending.current.filter((t) => !sent.includes(t)));
      setOffline(false);
    } catch (fault) {
      if (fault instanceof TroubleError && fault.status > 0 && fault.status < 500) setTrouble(asTrouble(fault));
      else setOffline(true);
    } finally {
      busy.current = false;
    }
  }, [id, put]);

  useEffect(() => {
    const first = setTimeout(() => void sync(), 0);
    const fast = (info?.speed ?? 1) > 1;
    const poll = setInterval(() => void sync(), fast ? 1000 : 2000);
    const beat = setInterval(() => setMinute(kitchenMinute()), fast ? 200 : 500);
    const back = () => void sync();
    window.addEventListener("online", back);
    document.addEventListener("visibilitychange", back);
    return () => {
      clearTimeout(first);
      clearInterval(poll);
      clearInterval(beat);
      window.removeEventListener("online", back);
      document.removeEventListener("visibilitychange", back);
    };
  }, [sync, kitchenMinute, info?.speed]);

  const touch = useCallback(
    (kind: string, data: Touch["data"]): string => {
      const made: Touch = { id: newId(), kind, data, at: Date.now(), minute: kitchenMinute() };
      put([...pending.current, made]);
      void sync();
      return made.id;
    },
    [put, sync, kitchenMinute],
  );
  const shown = state && ahead(state, touches, minute);
  return { info, state: shown, minute, touch, waiting: touches.length, offline, trouble, refresh: sync };
}
