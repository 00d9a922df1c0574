import { useState } from "react";
import { Link, useNavigate } from "../../ui/route";
import { answer, api, asTrouble, type Bag } from "../../api/client";
import { useLarder } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Swatch, useHatch } from "../../job/Hatch";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { bring, choice, FIRST_CHOICE } from "../draft";
import { today } from "../week/days";
import { JustAPot } from "../bring/JustAPot";
import { Dishes } from "./Dishes";
import { Left } from "./Left";
import { dated } from "../../job/manner";
import { said, shown, typed, unitOf } from "../../job/rim";
import { throwAway, useGone } from "../../ui/gone";

/** Jars on a shelf, filled as they are; typed in one line each. */
export function Larder() {
  const larder = useLarder();
  const [line, setLine] = useState("");
  const [open, setOpen] = useState<number | null>(null);
  const add = useChange("larder", () => answer(api.POST("/api/larder", { body: { line } })));
  const gone = useGone();
  const bags = larder.data?.filter((b) => !gone.has(`bag/${b.id}`));
  const bag = bags?.find((b) => b.id === open);
  return (
    <div className="pt-5">
      <h1 className="text-title">Larder</h1>
      <form
        className="mt-3 flex flex-wrap gap-2"
        onSubmit={(e) => {
          e.preventDefault();
          add.mutate(undefined, { onSuccess: () => setLine("") });
        }}
      >
        <label className="min-w-0 flex-1">
          <span className="sr-only">A jar or bag</span>
          <input
            value={line}
            onChange={(e) => setLine(e.target.value)}
            aria-invalid={add.isError}
            placeholder={`${unitOf("weight") === "g" ? "500 g" : "1 lb"} foxtail millet, best 3/2027`}
            className="min-h-14 w-full min-w-[220px] rounded-key border border-line bg-sheet px-4 text-lead aria-[invalid=true]:border-warn"
          />
        </label>
        <Button
          kind="main"
          type="submit"
          className="min-h-14 px-7 text-body"
          disabled={line.trim() === "" || add.isPending}
        >
          Put it in
        </Button>
      </form>
      <p className="mt-1 text-small text-soft">
        Add if you like: opened yesterday, quick, and what the packet says, such as 1:2.5 and 15 min.
      </p>
      <Wrong trouble={asTrouble(add.error)} className="mt-2" />
      {bags?.length === 0 && (
        <p className="mt-5 max-w-[46ch] text-lead">
          No jars yet. Type the first; cookings then use it up, and old grain is told apart.
        </p>
      )}
      {bags && bags.length > 0 && (
        <ul
          className="m-0 mt-5 grid list-none grid-cols-[repeat(auto-fill,minmax(112px,1fr))] items-start gap-x-3 gap-y-4 p-0"
          aria-label="Jars and bags"
        >
          {bags.map((b) => (
            <li key={b.id}>
              <button
                type="button"
                aria-expanded={open === b.id}
                onClick={() => setOpen(open === b.id ? null : b.id)}
                className={`w-full rounded-key p-1 text-left text-ink hover:text-water ${open === b.id ? "outline outline-2 outline-ink" : ""}`}
              >
                <Jar bag={b} />
                <span className="figures block text-lead font-bold leading-tight">{said("weight", b.grams)}</span>
                <span className="block text-small leading-tight">{b.name}</span>
                {b.best_before && (
                  <span className={`block text-fine ${b.old ? "font-semibold text-warn" : "text-soft"}`}>
                    best {dated(new Date(`${b.best_before}T12:00`), { month: "short", year: "numeric" })}
                  </span>
                )}
                {b.old && !b.best_before && <span className="block text-fine font-semibold text-warn">old</span>}
              </button>
            </li>
          ))}
        </ul>
      )}
      {bag && <One key={bag.id} bag={bag} onGone={() => setOpen(null)} />}
      <Left />
    </div>
  );
}

/** A jar of a size with what it held when full, filled with the grain's own coat as far as it is full now. */
function Jar({ bag }: { bag: Bag }) {
  const { fill, pattern } = useHatch(bag.grain);
  const high = 44 + 44 * Math.min(1, bag.full_g / 1000);
  const level = (high - 22) * Math.min(1, bag.grams / Math.max(1, bag.full_g));
  const top = 92 - high;
  return (
    <svg viewBox="0 0 100 94" className="block w-full max-w-[112px]" aria-hidden="true">
      <defs>{pattern}</defs>
      <rect x="24" y={top} width="52" height="9" rx="2" fill="var(--soft)" />
      <rect x="14" y={88 - level} width="72" height={level} rx="5" fill={fill} />
      <path
        d={`M22 ${top + 9}H78Q90 ${top + 12} 90 ${top + 22}V84Q90 92 82 92H18Q10 92 10 84V${top + 22}Q10 ${top + 12} 22 ${top + 9}Z`}
        fill="none"
        stroke="currentColor"
        strokeWidth="2.5"
      />
    </svg>
  );
}

function One({ bag, onGone }: { bag: Bag; onGone: () => void }) {
  const go = useNavigate();
  const path = { bag_id: bag.id };
  const change = useChange("larder", (body: { grams?: number; opened?: string }) =>
    answer(api.PUT("/api/larder/{bag_id}", { params: { path }, body })),
  );
  const drop = useChange("larder", () =>
    answer(api.DELETE("/api/larder/{bag_id}", { params: { path }, keepalive: true })),
  );
  const [looking, setLooking] = useState(false);
  const [alone, setAlone] = useState(false);
  const [grams, setGrams] = useState(shown("weight", bag.grams));
  const take = async (recipeId: number) => {
    const found = await answer(api.GET("/api/recipes/{recipe_id}", { params: { path: { recipe_id: recipeId } } }));
    bring(found.text, found.id, found.corrections);
    choice.set({ ...FIRST_CHOICE, to: bag.grain, bag_id: bag.id, age: bag.old ? "old" : "fresh" });
    go("/bench");
  };
  return (
    <section aria-label={bag.name} className="mt-4 rounded-sheet border border-line bg-sheet p-4">
      <div className="flex flex-wrap items-center gap-3">
        <Swatch slug={bag.grain} className="h-8 w-11" />
        <h2 className="mr-auto text-head">
          {bag.name}, {bag.kind}
        </h2>
        <label className="text-small font-semibold">
          Left, {unitOf("weight")}
          <input
            value={grams}
            inputMode="decimal"
            onChange={(e) => setGrams(e.target.value)}
            onBlur={() => {
              const now = typed("weight", grams, bag.grams);
              // what is no number goes to the server as one that it names as wrong
              if (now !== bag.grams) change.mutate({ grams: Number.isFinite(now) ? now : -1 });
            }}
            className="figures ml-2 min-h-11 w-24 rounded-key border border-line bg-quiet px-2 text-lead font-bold"
          />
        </label>
        {!bag.opened && <Button onClick={() => change.mutate({ opened: today(new Date()) })}>Opened today</Button>}
        <Button
          kind="warn"
          onClick={() => {
            throwAway(`bag/${bag.id}`, `${bag.name}: the ${bag.kind} is gone.`, () => drop.mutateAsync(undefined));
            onGone();
          }}
        >
          It is empty
        </Button>
      </div>
      <Wrong trouble={asTrouble(change.error)} className="mt-2" />
      {bag.old && <p className="mt-2 border-l-4 border-warn bg-warn-pale px-3 py-2 text-body">{bag.old}</p>}
      {bag.label && <p className="mt-2 text-body">{bag.label}</p>}
      {bag.opened && (
        <p className="mt-1 text-small text-soft">
          Open since {dated(new Date(`${bag.opened}T12:00`), { day: "numeric", month: "long", year: "numeric" })}.
        </p>
      )}
      <div className="mt-3 flex flex-wrap gap-2">
        <Button onClick={() => setLooking(true)}>What can I make from this?</Button>
        <Button onClick={() => setAlone(!alone)} aria-expanded={alone}>
          Just a pot of it
        </Button>
        <Link to={`/grains/${bag.grain}`} className={keyLook("quiet")}>
          About this grain
        </Link>
      </div>
      {alone && (
        <div className="mt-3">
          <JustAPot grain={bag.grain} from={{ bag_id: bag.id, age: bag.old ? "old" : "fresh" }} />
        </div>
      )}
      {looking && <Dishes bagId={bag.id} onTake={(id) => void take(id)} />}
    </section>
  );
}
