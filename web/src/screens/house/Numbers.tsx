import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, type Session, type Trouble } from "../../api/client";
import { allChanged } from "../../api/subjects";
import { Sheet, Wrong } from "../../ui/bits";
import { OneOf } from "../../ui/OneOf";

const AMOUNTS: [string, string][] = [
  ["", "As the recipe has them"],
  ["metric", "Grams and ml"],
  ["cups", "Cups and ounces"],
  ["both", "Both"],
];
const HEAT: [string, string][] = [
  ["", "As the recipe has it"],
  ["C", "°C"],
  ["F", "°F"],
];
const CLOCK: [string, string][] = [
  ["24", "19:30"],
  ["12", "7:30 pm"],
];
// one line of a recipe as each way says it
const LINE: Record<string, string> = {
  "": "2¼ cups stock, 250 g peas",
  metric: "530 ml stock, 250 g peas",
  cups: "2¼ cups stock, 9 oz peas",
  both: "2¼ cups (530 ml) stock, 250 g (9 oz) peas",
};

/** Cups or grams, °C or °F, 24 hours or 12: said once, and every page, plan and print says its numbers so. */
export function Numbers({ session }: { session: Session }) {
  const client = useQueryClient();
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const { manner } = session;
  const set = async (change: Partial<Session["manner"]>) => {
    try {
      client.setQueryData(
        ["session"],
        await answer(api.PUT("/api/household/manner", { body: { ...manner, ...change } })),
      );
      await allChanged(client);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  return (
    <Sheet className="p-5" aria-label="How numbers are said">
      <h2 className="text-head">How numbers are said</h2>
      <p className="mt-1 text-body">
        So a shifted recipe reads: <strong>{LINE[manner.amounts] ?? LINE[""]}</strong>. Spoons and your own glass stay
        as they are.
      </p>
      <OneOf label="Amounts" of={AMOUNTS} now={manner.amounts} set={(amounts) => void set({ amounts })} />
      <OneOf label="Heat" of={HEAT} now={manner.heat} set={(heat) => void set({ heat })} />
      <OneOf label="Clock" of={CLOCK} now={String(manner.clock)} set={(clock) => void set({ clock: Number(clock) })} />
      <Wrong trouble={trouble} className="mt-2" />
    </Sheet>
  );
}
