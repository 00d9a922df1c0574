import { useCallback, useEffect, useRef, useState } from "react";
import { answer, api, TroubleError, type CookingInfo, type CookState, type Trouble } from "../../api/client";
import { tell } from "./deliver";
import { ahead, type Touch } from "./fold";
import { keep, load, newId, save, seen } from "./store";
import { BATCH, begin, minuteAt, nextBatch, reduce, type Action, type Held, type Outcome } from "./sync";

export interface Cooking {
  info: CookingInfo | null;
  state: CookState | null;
  /** kitchen minutes since the start, now */
  minute: number;
  /** what: the touch in words, for the list of what was done */
  touch: (kind: string, data: Touch["data"], what: string) => string;
  waiting: number;
  offline: boolean;
  trouble: Trouble | null;
  refresh: () => Promise<void>;
}

/** One cooking as the server knows it, with this device's own touches on top; asks anew every second or two. */
export function useCooking(id: number): Cooking {
  const [held, setHeld] = useState<Held>(() => {
    const last = seen(id);
    return begin(load(id), last?.got ?? null, last ? Math.max(0, Date.now() - last.at) : 0, performance.now());
  });
  const now = useRef(held);
  const busy = useRef(false);
  const asked = useRef(0);
  const size = useRef(BATCH);

  const dispatch = useCallback(
    (action: Action) => {
      const before = now.current.touches;
      now.current = reduce(now.current, action);
      if (now.current.touches !== before) save(id, now.current.touches);
      setHeld(now.current);
    },
    [id],
  );

  const sync = useCallback(async () => {
    if (busy.current) return;
    busy.current = true;
    try {
      const told: { sent: readonly Touch[]; outcome: Outcome }[] = [];
      let left = now.current.touches;
      while (left.length > 0) {
        const sent = nextBatch(left, size.current);
        const outcome = await tell(id, sent);
        if (outcome.is === "again") {
          size.current = Math.max(1, Math.floor(sent.length / 2));
          continue;
        }
        if (outcome.is === "offline" || outcome.is === "signed_out") {
          dispatch({ type: "told", sent, outcome });
          return;
        }
        told.push({ sent, outcome });
        left = left.slice(sent.length);
      }
      size.current = BATCH;
      // what is late grows later while nothing happens: the whole state is asked for now and then
      const known = now.current.clock.last >= 0 && told.length === 0 && asked.current++ % 5 !== 0;
      const got = await answer(
        api.GET("/api/cookings/{cooking_id}", {
          params: { path: { cooking_id: id }, query: known ? { since: now.current.clock.last } : {} },
        }),
      );
      dispatch({ type: "answered", got, at: performance.now() });
      if (got.state) keep(id, got);
      // only now: the fresh state already holds what was sent
      for (const one of told) dispatch({ type: "told", ...one });
    } catch (fault) {
      dispatch({
        type: "lost",
        trouble: fault instanceof TroubleError && fault.status > 0 && fault.status < 500 ? fault.trouble : null,
      });
    } finally {
      busy.current = false;
    }
  }, [id, dispatch]);

  const speed = held.info?.speed ?? 1;
  useEffect(() => {
    const first = setTimeout(() => void sync(), 0);
    const fast = speed > 1;
    const poll = setInterval(() => void sync(), fast ? 1000 : 2000);
    const beat = setInterval(() => dispatch({ type: "beat", at: performance.now() }), fast ? 200 : 500);
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
  }, [sync, dispatch, speed]);

  const touch = useCallback(
    (kind: string, data: Touch["data"], what: string): string => {
      const made: Touch = {
        id: newId(),
        kind,
        data,
        what,
        at: Date.now(),
        minute: minuteAt(now.current, performance.now()),
      };
      dispatch({ type: "touched", touch: made });
      void sync();
      return made.id;
    },
    [dispatch, sync],
  );
  const shown = held.state && ahead(held.state, held.touches, held.minute);
  return {
    info: held.info,
    state: shown,
    minute: held.minute,
    touch,
    waiting: held.touches.length,
    offline: held.offline,
    trouble: held.trouble,
    refresh: sync,
  };
}
