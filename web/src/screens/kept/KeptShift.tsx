import { Braces, CalendarClock, FileText, Printer, RotateCcw, Trash2 } from "lucide-react";
import { Link, useNavigate, useParams } from "../../ui/route";
import { answer, api, asTrouble, type KeptShift as Kept } from "../../api/client";
import { useGrains, useKeptShift, useLessons } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Jug } from "../../job/Jug";
import { Strip } from "../../job/Strip";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { useNow } from "../../ui/useNow";
import { After, Mind } from "../bench/Pages";
import { Poster } from "../bench/Poster";
import { tonight } from "../plan/tonight";
import { bring, choice as choiceStore, FIRST_CHOICE } from "../draft";
import { dated } from "../../job/manner";
import { throwAway } from "../../ui/gone";

/** A shift as it was kept: the sheet to cook from, and the ways out. */
export function KeptShift() {
  const id = Number(useParams().id);
  const kept = useKeptShift(id);
  const trouble = asTrouble(kept.error);
  if (trouble)
    return (
      <div className="pt-10">
        <Wrong trouble={trouble} />
        <Link to="/kept" className={`mt-4 ${keyLook()}`}>
          To the list
        </Link>
      </div>
    );
  return kept.data ? <Shown kept={kept.data} /> : null;
}

function Shown({ kept }: { kept: Kept }) {
  const grains = useGrains();
  const now = useNow();
  const lessons = useLessons();
  const go = useNavigate();
  const drop = useChange("recipes", () =>
    answer(api.DELETE("/api/shifts/{shift_id}", { params: { path: { shift_id: kept.id } }, keepalive: true })),
  );
  const pot = kept.result.pots[0];
  const family = grains.data?.find((g) => g.slug === kept.grain)?.family;
  const again = () => {
    bring(kept.text, kept.recipe_id, kept.corrections);
    // today's numbers: what the pots have taught since, and the pot as it is tested now
    const pot = kept.choice.pot_id != null ? { pot_cm: null, pot_l: null, pot_lid: null, boil_off: null } : {};
    choiceStore.set({ ...FIRST_CHOICE, ...kept.choice, ...pot, factors: null });
    go("/bench");
  };
  const taught = lessons.data?.held.some(
    (h) =>
      h.decided > kept.created &&
      (h.kind === "pot" || h.kind === "liking" || h.kind.endsWith("bag") || h.subject === kept.grain),
  );
  if (!pot) return null;
  return (
    <div className="pt-5">
      <h1 className="sr-only">{kept.title}</h1>
      <div className="mb-4 flex flex-wrap items-center gap-2">
        <p className="mr-auto text-small text-soft">
          Kept {dated(new Date(kept.created), { day: "numeric", month: "long", year: "numeric" })}
          {taught && ". Your pots have taught something since: open it on the bench to see what."}
          {!taught &&
            kept.engine !== kept.engine_now &&
            ". The reckoning has been improved since: open it on the bench to see today’s numbers."}
        </p>
        <Button onClick={again}>
          <RotateCcw size={16} aria-hidden /> Back on the bench
        </Button>
        <Button
          kind="main"
          data-go
          onClick={() => {
            void tonight.change((d) => ({ ...d, ids: [...new Set([...d.ids, String(kept.id)])] }));
            go("/plan");
          }}
        >
          <CalendarClock size={17} aria-hidden /> Plan it
        </Button>
        <a className={keyLook()} href={`/api/shifts/${kept.id}/print`} target="_blank" rel="noreferrer">
          <Printer size={17} aria-hidden /> Print
        </a>
        <a className={keyLook()} href={`/api/shifts/${kept.id}/recipe.md`} download>
          <FileText size={17} aria-hidden /> Markdown
        </a>
        <a className={keyLook()} href={`/api/shifts/${kept.id}/recipe.json`} download>
          <Braces size={17} aria-hidden /> Recipe file
        </a>
        <a className={keyLook("quiet")} href={`/api/shifts/${kept.id}/recipe.txt`} download>
          Text
        </a>
        <a className={keyLook("quiet")} href={`/api/shifts/${kept.id}/ledger.csv`} download>
          Ledger, CSV
        </a>
        <button
          type="button"
          onClick={() => {
            throwAway(`shift/${kept.id}`, `${kept.title}: thrown away.`, () => drop.mutateAsync(undefined));
            go("/kept");
          }}
          aria-label="Throw this shift away"
          className="grid h-11 w-11 place-items-center rounded-key text-soft hover:text-warn"
        >
          <Trash2 size={17} />
        </button>
      </div>
      <div className="grid grid-cols-1 items-start gap-5 min-[62.5rem]:grid-cols-[404px_minmax(0,1fr)] min-[62.5rem]:gap-0">
        <section
          aria-label="The jug"
          className="z-10 rounded-[16px] border border-line bg-sheet px-5 pb-3 pt-5 shadow-jug min-[62.5rem]:sticky min-[62.5rem]:top-4"
        >
          <Poster pot={pot} />
          {pot.jug && <Jug pot={pot} jug={pot.jug} family={family} />}
        </section>
        <Sheet
          className="p-5 min-[62.5rem]:mt-7 min-[62.5rem]:rounded-l-none min-[62.5rem]:border-l-0 min-[62.5rem]:p-8"
          aria-label="The recipe"
        >
          <After shift={kept.result} />
          <div className="mt-5">
            <Strip shift={kept.result} now={now} family={family} />
          </div>
          <Mind shift={kept.result} />
        </Sheet>
      </div>
    </div>
  );
}
