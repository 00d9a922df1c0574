import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, type Kitchen, type Trouble } from "../../api/client";
import { changed } from "../../api/subjects";

/** Every reckoning stands on the kitchen: bench, plan and grains are asked anew. */
export function useKitchenChanged() {
  const client = useQueryClient();
  return () => changed(client, "kitchen");
}

export type Change = Partial<Omit<Kitchen, "pots" | "devices" | "took" | "said">>;
/** null when it is kept; else what is wrong with it. */
export type Put = (change: Change) => Promise<Trouble | null>;

/** What is touched shows at once; one touch after the other goes to the server, each with all that was touched before. */
export function useKitchenPut(): { put: Put; saved: boolean } {
  const client = useQueryClient();
  const changed = useKitchenChanged();
  const [saved, setSaved] = useState(false);
  const put: Put = async (change) => {
    await client.cancelQueries({ queryKey: ["kitchen"] });
    const was = client.getQueryData<Kitchen>(["kitchen"]);
    if (!was) return null;
    const next = { ...was, ...change };
    client.setQueryData(["kitchen"], next);
    const {
      burners,
      oven_places,
      rice_cooker,
      pressure_cooker,
      electric_pressure,
      slow_cooker,
      microwave_w,
      whistle_min,
      altitude_m,
      room_c,
      jar_ml,
      time_zone,
    } = next;
    const body = {
      burners,
      oven_places,
      rice_cooker,
      pressure_cooker,
      electric_pressure,
      slow_cooker,
      microwave_w,
      whistle_min,
      altitude_m,
      room_c,
      jar_ml,
      time_zone,
    };
    try {
      await answer(api.PUT("/api/kitchen", { body }));
      setSaved(true);
      await changed();
      return null;
    } catch (fault) {
      client.setQueryData(["kitchen"], was);
      return asTrouble(fault);
    }
  };
  return { put, saved };
}
