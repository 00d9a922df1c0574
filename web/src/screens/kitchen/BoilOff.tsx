import { useQueryClient } from "@tanstack/react-query";
import { useEffect, useState } from "react";
import { Link, useNavigate, useParams } from "../../ui/route";
import { answer, api, asTrouble, type BoilOff as Found, type KitchenPot, type Trouble } from "../../api/client";
import { changed } from "../../api/subjects";
import { useKitchen } from "../../api/queries";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { kept } from "../../ui/kept";
import { chime, wakeAudio } from "../stove/call";
import { left } from "../stove/fold";
import { LID_WORDS } from "./lids";
import { shown, said, typed, unitOf } from "../../job/rim";

interface Test {
  pot: number;
  before: string;
  after: string;
  lid: string;
  /** when it came to the boil, ms; the timer is this, not a counter */
  boiled: number | null;
  took: number | null;
}
const NONE: Test = { pot: 0, before: "", after: "", lid: "", boiled: null, took: null };
const test = kept<Test>("mealshift.boiloff", NONE);
const WANTED = 10;
const START_ML = 1000;
const LEAST_ML = 300;
const MOST_ML = 20000;
/** A loss of a few spoons is not seen in a cup: where the house goes by cups the water is weighed in ounces. A gram of water is a millilitre. */
const IN = (): string => (unitOf("weight") === "g" ? "ml or g" : unitOf("weight"));
const fresh = (pot: KitchenPot): Test => ({
  ...NONE,
  pot: pot.id,
  before: shown("weight", START_ML),
  lid: pot.lid ?? "ordinary",
});

/** Water in, ten minutes at the boil, water out: what this pot loses. One thing to do at a time. */
export function BoilOff() {
  const id = Number(useParams().id);
  const kitchen = useKitchen();
  const pot = kitchen.data?.pots.find((p) => p.id === id);
  if (kitchen.data && !pot)
    return (
      <div className="pt-10">
        <Wrong
          trouble={{ code: "missing", where: "", text: "That pot is not in your kitchen: go back and choose one." }}
        />
        <Link to="/kitchen" className={`mt-4 ${keyLook()}`}>
          To the kitchen
        </Link>
      </div>
    );
  return pot ? <Walk pot={pot} /> : null;
}

function Walk({ pot }: { pot: KitchenPot }) {
  const [t, set] = test.use();
  const go = useNavigate();
  const client = useQueryClient();
  const [found, setFound] = useState<Found | null>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [now, setNow] = useState(() => Date.now());
  useEffect(() => {
    if (t.pot !== pot.id) set(fresh(pot));
  }, [pot, t.pot, set]);
  useEffect(() => {
    const beat = setInterval(() => setNow(Date.now()), 500);
    return () => clearInterval(beat);
  }, []);
  const passed = t.boiled === null ? 0 : (now - t.boiled) / 60_000;
  const rung = passed >= WANTED;
  useEffect(() => {
    if (rung) chime("now");
  }, [rung]);
  const step = t.boiled === null ? 1 : t.took === null ? 2 : 3;

  const begin = () => {
    const before = typed("weight", t.before, START_ML);
    if (!Number.isFinite(before) || before < LEAST_ML || before > MOST_ML)
      return setTrouble({
        code: "number",
        where: "before_ml",
        text: `“${t.before}” will not do: start with ${
          unitOf("weight") === "g"
            ? "300 ml to 20 litres of water, in millilitres or grams"
            : `${said("weight", LEAST_ML)} to ${said("weight", MOST_ML)} of water`
        }.`,
      });
    wakeAudio();
    setTrouble(null);
    set({ ...t, boiled: Date.now() });
  };
  const ask = async (keep: boolean) => {
    const after = typed("weight", t.after);
    if (t.after.trim() === "" || !Number.isFinite(after))
      return setTrouble({
        code: "number",
        where: "after_ml",
        text: `“${t.after}” is no amount; weigh or measure what is left and write it in ${IN()}.`,
      });
    try {
      const body = {
        before_ml: typed("weight", t.before, START_ML),
        after_ml: after,
        minutes: t.took ?? WANTED,
        lid: t.lid as "ordinary",
        keep,
      };
      setFound(
        await answer(api.POST("/api/kitchen/pots/{pot_id}/boil-off", { params: { path: { pot_id: pot.id } }, body })),
      );
      setTrouble(null);
      if (!keep) return;
      void changed(client, "kitchen");
      set(NONE);
      go("/kitchen");
    } catch (fault) {
      setFound(null);
      setTrouble(asTrouble(fault));
    }
  };
  const again = () => {
    setFound(null);
    set(fresh(pot));
  };
  const big = "figures min-h-[72px] w-full rounded-key border border-line bg-quiet px-4 text-show font-bold";
  return (
    <div className="mx-auto max-w-[620px] pt-5">
      <p className="text-small text-soft">
        Boil-off test, {pot.name}, {said("width", pot.diameter_cm)}
      </p>
      {step === 1 && (
        <>
          <h1 className="mt-1 text-show">Water in</h1>
          <p className="mt-2 text-lead">
            {unitOf("weight") === "g" ? "Weigh or measure about a litre" : "Weigh about a quart of water"} into the pot.
            Bring it to the boil, heat down until it only simmers, lid on as you would for grain.
          </p>
          <label className="mt-4 block text-body font-semibold">
            So much water, {IN()}
            <input
              value={t.before}
              inputMode="decimal"
              onChange={(e) => set({ ...t, before: e.target.value })}
              className={`${big} mt-1`}
            />
          </label>
          <label className="mt-3 block text-body font-semibold">
            Under
            <select
              value={t.lid}
              onChange={(e) => set({ ...t, lid: e.target.value })}
              className="mt-1 block min-h-14 w-full rounded-key border border-line bg-quiet px-3 text-lead font-normal"
            >
              {Object.entries(LID_WORDS).map(([l, word]) => (
                <option key={l} value={l}>
                  {word}
                </option>
              ))}
            </select>
          </label>
          <Wrong trouble={trouble} className="mt-3" />
          <Button kind="main" className="mt-5 min-h-[76px] w-full text-head" onClick={begin}>
            It simmers now
          </Button>
        </>
      )}
      {step === 2 && (
        <>
          <h1 className="mt-1 text-show">{rung ? "Off the heat" : "Let it simmer"}</h1>
          <p className="poster mt-5 text-stove" role="timer" aria-label={`${Math.ceil(WANTED - passed)} minutes left`}>
            {rung ? left(passed) : left(WANTED - passed)}
          </p>
          <p className="mt-4 text-lead">
            {rung
              ? "That is ten minutes and a little. Take it off now; the lid stays on until it has stopped."
              : "Do not lift the lid. You may do something else: the time is kept, even if this page is closed."}
          </p>
          <Button
            kind={rung ? "main" : "plain"}
            className="mt-5 min-h-[76px] w-full text-head"
            disabled={passed < 5}
            onClick={() => set({ ...t, took: Math.round(passed * 100) / 100 })}
          >
            {passed < 5 ? "Five minutes at the least" : "It is off the heat"}
          </Button>
          <button type="button" className="mt-2 min-h-12 w-full text-body text-soft" onClick={again}>
            Start again
          </button>
        </>
      )}
      {step === 3 && (
        <>
          <h1 className="mt-1 text-show">Water out</h1>
          <p className="mt-2 text-lead">
            {unitOf("weight") === "g" ? "Weigh or measure" : "Weigh"} what is left, with the drops from the lid. It
            simmered {Math.round((t.took ?? 0) * 10) / 10} minutes.
          </p>
          <label className="mt-4 block text-body font-semibold">
            Left, {IN()}
            <input
              value={t.after}
              inputMode="decimal"
              onChange={(e) => {
                set({ ...t, after: e.target.value });
                setFound(null);
              }}
              className={`${big} mt-1`}
            />
          </label>
          <Wrong trouble={trouble} className="mt-3" />
          {!found && (
            <Button kind="main" className="mt-5 min-h-[76px] w-full text-head" onClick={() => void ask(false)}>
              What does it lose?
            </Button>
          )}
          {found && <Result found={found} />}
          {found && (
            <Button kind="main" className="mt-4 min-h-[76px] w-full text-head" onClick={() => void ask(true)}>
              Reckon with it
            </Button>
          )}
          <button type="button" className="mt-2 min-h-12 w-full text-body text-soft" onClick={again}>
            Start again
          </button>
        </>
      )}
    </div>
  );
}

function Result({ found }: { found: Found }) {
  const most = Math.max(found.rate, found.usual);
  return (
    <div className="mt-5" role="status">
      {(
        [
          ["this pot", found.rate, "var(--water)"],
          ["usual", found.usual, "var(--line)"],
        ] as const
      ).map(([word, rate, fill]) => (
        <div key={word} className="mb-2 grid grid-cols-[84px_1fr] items-center gap-3 text-body">
          <span>{word}</span>
          <svg viewBox="0 0 400 40" className="block w-full" aria-hidden="true">
            <rect width={(rate / most) * 300} height="40" rx="8" fill={fill} />
            <text x={(rate / most) * 300 + 10} y="28" fontWeight="700" fill="var(--ink)" className="figures text-head">
              {rate.toFixed(1)}
            </text>
          </svg>
        </div>
      ))}
      <p className="text-lead font-semibold">{found.said}</p>
      {found.problems.map((p) => (
        <p key={p.code} className="mt-1 text-body text-soft">
          {p.text}
        </p>
      ))}
    </div>
  );
}
