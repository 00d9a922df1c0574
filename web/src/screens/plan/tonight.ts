import { useEffect, useSyncExternalStore } from "react";
import {
  answer,
  api,
  asTrouble,
  TroubleError,
  type PlanChanges,
  type TonightPlan,
  type Trouble,
} from "../../api/client";
import { next } from "./clock";

/** The plan in hand, as the household's devices share it. */
export interface Dinner {
  /** dishes by their key: a kept shift's number, or r and the number of a recipe cooked as it is */
  ids: string[];
  /** the serving time, a point in time; null until one is chosen */
  serve: string | null;
  burners: number | null;
  /** what a way out changed of a dish, and what it says */
  changes: Record<string, { what: PlanChanges; text: string }>;
  /** task → when it is to start */
  pins: Record<string, string>;
}

export const NO_DINNER: Dinner = { ids: [], serve: null, burners: null, changes: {}, pins: {} };

export function toPlan(d: Dinner, now: Date): TonightPlan {
  return {
    dishes: d.ids.map((key) => ({ key, changes: d.changes[key]?.what ?? null, text: d.changes[key]?.text ?? "" })),
    serve_at: d.serve ?? (next("19:00", now) ?? now).toISOString(),
    burners: d.burners,
    pinned: Object.entries(d.pins).map(([id, start]) => ({ id, start })),
  };
}

export function fromPlan(plan: TonightPlan | null): Dinner {
  if (!plan) return NO_DINNER;
  const dishes = plan.dishes ?? [];
  return {
    ids: dishes.map((d) => d.key),
    // an empty table is set for no hour
    serve: dishes.length > 0 ? plan.serve_at : null,
    burners: plan.burners ?? null,
    changes: Object.fromEntries(
      dishes.flatMap((d) => (d.changes ? [[d.key, { what: d.changes, text: d.text ?? "" }] as const] : [])),
    ),
    pins: Object.fromEntries((plan.pinned ?? []).map((p) => [p.id, p.start])),
  };
}

const SETTLE_MS = 300;
const LOOK_MS = 4000;

/** Kept on the server, shown at once here: a change is told when it has stood still, and what another device changed is taken over. */
function shared() {
  let value = NO_DINNER;
  let version = 0;
  let known = false;
  let sending = false;
  let waiting: ReturnType<typeof setTimeout> | null = null;
  let trouble: Trouble | null = null;
  const told = new Set<() => void>();
  // whether the household's plan was asked for: before that nothing is to be changed on this page
  let ready = false;
  let seen: { value: Dinner; trouble: Trouble | null; ready: boolean } = { value, trouble, ready };
  const show = () => {
    seen = { value, trouble, ready };
    told.forEach((tell) => tell());
  };
  const adopt = (got: { version: number; plan?: TonightPlan | null }) => {
    // an answer that was under way while this page changed the plan is older than what it shows
    if (known && got.version <= version) return;
    version = got.version;
    known = true;
    value = fromPlan(got.plan ?? null);
    show();
  };
  const pull = async () => {
    if (waiting !== null || sending) return;
    try {
      const got = await answer(api.GET("/api/tonight"));
      if (waiting === null && !sending) adopt(got);
    } catch {
      // without a network the plan stays as it was last seen
    }
    if (!ready) {
      ready = true;
      show();
    }
  };
  const push = async () => {
    const sent = value;
    sending = true;
    try {
      const got = await answer(api.PUT("/api/tonight", { body: { version, plan: toPlan(sent, new Date()) } }));
      version = got.version;
      known = true;
      trouble = null;
    } catch (fault) {
      if (fault instanceof TroubleError && fault.status === 409) {
        known = false;
        sending = false;
        await pull();
        trouble = {
          code: "changed_meanwhile",
          where: "plan",
          text: "Somebody changed the plan on another device meanwhile: this is how it stands now.",
        };
      } else trouble = asTrouble(fault);
    } finally {
      sending = false;
    }
    show();
  };
  const set = (made: Dinner) => {
    value = made;
    trouble = null;
    show();
    arm();
  };
  const arm = () => {
    if (waiting !== null) clearTimeout(waiting);
    waiting = setTimeout(() => {
      // one after the other: each is made on the version that the one before it left
      if (sending) return arm();
      waiting = null;
      void push();
    }, SETTLE_MS);
  };
  return {
    pull,
    set,
    /** A change on what the household has planned by now. */
    change: async (make: (now: Dinner) => Dinner) => {
      await pull();
      set(make(value));
    },
    forget: () => {
      if (waiting !== null) clearTimeout(waiting);
      [value, version, known, ready, waiting, trouble] = [NO_DINNER, 0, false, false, null, null];
      show();
    },
    subscribe: (tell: () => void) => {
      told.add(tell);
      return () => told.delete(tell);
    },
    seen: () => seen,
  };
}

export const tonight = shared();

/** The plan in hand, looked at anew while the page shows it. */
export function useTonight() {
  const { value, trouble, ready } = useSyncExternalStore(tonight.subscribe, tonight.seen);
  useEffect(() => {
    void tonight.pull();
    const look = setInterval(() => document.visibilityState === "visible" && void tonight.pull(), LOOK_MS);
    return () => clearInterval(look);
  }, []);
  return { dinner: value, trouble, ready, set: tonight.set };
}
