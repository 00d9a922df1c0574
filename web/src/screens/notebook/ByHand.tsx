import { useState } from "react";
import { answer, api, asTrouble } from "../../api/client";
import { useGrains, useKitchen, useShifts } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Bottom } from "../../ui/Bottom";
import { Button, Wrong } from "../../ui/bits";
import { Scale } from "./Outcome";
import { SOFT, WET } from "./outcome";
import { manner } from "../../job/manner";
import { typedNumber } from "../../job/typed";
import { typed, unitOf } from "../../job/rim";

const field = "mt-1 min-h-12 w-full rounded-key border border-line bg-quiet px-3 text-body font-normal";

/** A finished meal, written down in under a minute: a kept shift or a grain, what was poured, how it came out. */
export function ByHand({ onClose }: { onClose: (id: number | null) => void }) {
  const shifts = useShifts();
  const grains = useGrains();
  const kitchen = useKitchen();
  const [f, set] = useState({
    shift: "",
    dish: "",
    grain: "",
    amount: "",
    pot: "",
    poured: "",
    taken: "",
    word: "",
    on: "",
  });
  const [wet, setWet] = useState<number | null>(null);
  const [soft, setSoft] = useState<number | null>(null);
  const add = useChange("notebook", () =>
    answer(
      api.POST("/api/notebook", {
        body: {
          ...(f.shift
            ? { shift_id: Number(f.shift) }
            : { dish: f.dish, grain: f.grain || null, amount: f.amount, pot_id: f.pot ? Number(f.pot) : null }),
          on: f.on || null,
          poured_ml: number(typed("water", f.poured), f.poured),
          taken_min: number(typedNumber(f.taken), f.taken),
          wet,
          soft,
          word: f.word || null,
        },
      }),
    ),
  );
  const trouble = asTrouble(add.error);
  const put = (name: keyof typeof f) => ({
    value: f[name],
    "aria-invalid": trouble?.where === name,
    onChange: (e: { target: { value: string } }) => set({ ...f, [name]: e.target.value }),
  });
  return (
    <Bottom open onOpen={(o) => !o && onClose(null)} title="Write down a meal">
      <label className="block text-small font-semibold">
        Which dish?
        <select {...put("shift")} className={field}>
          <option value="">another: say which grain</option>
          {shifts.data?.map((s) => (
            <option key={s.id} value={s.id}>
              {s.title}
            </option>
          ))}
        </select>
      </label>
      {!f.shift && (
        <div className="mt-3 grid grid-cols-2 gap-3">
          <label className="col-span-2 block text-small font-semibold">
            Its name
            <input {...put("dish")} className={field} />
          </label>
          <label className="block text-small font-semibold">
            Grain
            <select {...put("grain")} className={field}>
              <option value="" />
              {grains.data?.map((g) => (
                <option key={g.slug} value={g.slug}>
                  {g.name}
                </option>
              ))}
            </select>
          </label>
          <label className="block text-small font-semibold">
            Dry, such as {manner().amounts === "cups" ? "1 cup" : "240 ml"}
            <input {...put("amount")} className={field} />
          </label>
          <label className="block text-small font-semibold">
            Pot
            <select {...put("pot")} className={field}>
              <option value="" />
              {kitchen.data?.pots.map((p) => (
                <option key={p.id} value={p.id}>
                  {p.name}
                </option>
              ))}
            </select>
          </label>
        </div>
      )}
      <div className="mt-3 grid grid-cols-2 gap-3">
        <label className="block text-small font-semibold">
          Poured in all, {unitOf("water")}
          <input {...put("poured")} inputMode="decimal" className={`${field} figures`} />
        </label>
        <label className="block text-small font-semibold">
          Minutes at the boil
          <input {...put("taken")} inputMode="decimal" className={`${field} figures`} />
        </label>
      </div>
      <div className="mt-3 space-y-2">
        <Scale label="From dry to wet" words={WET} value={wet} set={setWet} />
        <Scale label="From hard to mush" words={SOFT} value={soft} set={setSoft} />
      </div>
      <div className="mt-3 grid grid-cols-2 gap-3">
        <label className="block text-small font-semibold">
          A word
          <input {...put("word")} maxLength={120} className={field} />
        </label>
        <label className="block text-small font-semibold">
          When, if not today
          <input {...put("on")} type="date" className={field} />
        </label>
      </div>
      <Wrong trouble={trouble} className="mt-3" />
      <Button
        kind="main"
        className="mt-4 min-h-14 w-full text-lead"
        disabled={add.isPending}
        onClick={() => add.mutate(undefined, { onSuccess: (made) => onClose(made.id) })}
      >
        Write it down
      </Button>
    </Bottom>
  );
}

/** What cannot be read as a number goes to the server as one that it names as wrong. */
const number = (n: number, text: string): number | null => (text.trim() === "" ? null : Number.isFinite(n) ? n : -1);
