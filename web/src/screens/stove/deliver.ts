import { answer, api, TroubleError } from "../../api/client";
import type { Touch } from "./fold";
import { load, save, waitingFor } from "./store";
import { BATCH, nextBatch, outcomeOf, type Outcome } from "./sync";

/** Tells the server of these touches of one cooking. */
export async function tell(cooking: number, sent: readonly Touch[]): Promise<Outcome> {
  const events = sent.map((t) => ({ id: t.id, kind: t.kind, data: t.data, ago_ms: Math.max(0, Date.now() - t.at) }));
  try {
    const { refused } = await answer(
      api.POST("/api/cookings/{cooking_id}/events", { params: { path: { cooking_id: cooking } }, body: { events } }),
    );
    return { is: "taken", refused: refused ?? [] };
  } catch (fault) {
    return fault instanceof TroubleError ? outcomeOf(fault.status, fault.trouble, sent.length) : { is: "offline" };
  }
}

/** Brings home what waits on this device for cookings that no page shows: a dinner that ended without a network. What is refused stays,
    to be shown when that cooking is opened. How many touches were taken. */
export async function deliver(shown: number | null): Promise<number> {
  let taken = 0;
  for (const cooking of waitingFor().filter((id) => id !== shown)) {
    const refused = new Set<string>();
    for (;;) {
      const sent = nextBatch(
        load(cooking).filter((t) => !refused.has(t.id)),
        BATCH,
      );
      if (sent.length === 0) break;
      const outcome = await tell(cooking, sent);
      if (outcome.is !== "taken") break;
      outcome.refused.forEach((r) => refused.add(r.id));
      const told = new Set(sent.map((t) => t.id).filter((id) => !refused.has(id)));
      save(
        cooking,
        load(cooking).filter((t) => !told.has(t.id)),
      );
      taken += told.size;
    }
  }
  return taken;
}
