import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, type CookPot, type CookStep, type Rescue, type Trouble } from "../../api/client";
import { Bottom } from "../../ui/Bottom";
import { Button, Wrong } from "../../ui/bits";
import { newId } from "./queue";
import type { Cooking } from "./useCooking";

type Touching = (kind: string, data: Parameters<Cooking["touch"]>[1], what: string) => void;
interface Props {
  open: boolean;
  onOpen: (open: boolean) => void;
  touch: Touching;
}

function Which({ pots, at, pick }: { pots: CookPot[]; at: string; pick: (key: string) => void }) {
  if (pots.length < 2) return null;
  return (
    <div role="group" aria-label="Which pot" className="mb-3 flex flex-wrap gap-2">
      {pots.map((p) => (
        <Button key={p.key} className={`min-h-14 ${p.key === at ? "border-ink font-bold outline outline-1 outline-ink" : ""}`} aria-pressed={p.key === at} onClick={() => pick(p.key)}>
          {p.name}
        </Button>
      ))}
    </div>
  );
}

/** "Poured k ml more", in the cook's own measure first. */
export function PourSheet({ open, onOpen, touch, pots, first }: Props & { pots: CookPot[]; first: CookPot }) {
  const [key, setKey] = useState(first.key);
  const [text, setText] = useState("");
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const pot = pots.find((p) => p.key === key) ?? first;
  const pour = (ml: number) => {
    touch("poured", { pot: pot.key, ml }, `${ml} ml more`);
    setText("");
    setTrouble(null);
    onOpen(false);
  };
  const typed = () => {
    const ml = Number(text.replace(",", "."));
    if (!Number.isFinite(ml) || ml < 1 || ml > 5000) return setTrouble({ code: "ml", where: "ml", text: `“${text}” is no amount to pour; write millilitres, 1 to 5,000.` });
    pour(ml);
  };
  return (
    <Bottom open={open} onOpen={onOpen} title="Boiling water, poured in now">
      <Which pots={pots} at={pot.key} pick={setKey} />
      <div className="grid grid-cols-3 gap-2">
        {pot.splashes.map((s) => (
          <Button key={s.ml} className="min-h-[84px] flex-col text-[17px]" onClick={() => pour(s.ml)}>
            <strong className="whitespace-nowrap text-[20px]">{s.said}</strong>
            <span className="text-soft">{s.ml} ml</span>
          </Button>
        ))}
      </div>
      <div className="mt-3 flex gap-2">
        <label className="flex-1">
          <span className="sr-only">Another amount, in ml</span>
          <input value={text} onChange={(e) => setText(e.target.value)} inputMode="decimal" placeholder="another amount, ml" className="figures min-h-16 w-full rounded-key border border-line bg-quiet px-3 text-[19px]" />
        </label>
        <Button kind="main" className="min-h-16 px-6 text-[18px]" onClick={typed}>
          Poured
        </Button>
      </div>
      {trouble && <Wrong trouble={trouble} className="mt-2" />}
    </Bottom>
  );
}

/** The dishes whole, with tonight's amounts: a glance from the stove. Asked for once and kept, so that it opens without network too. */
export function RecipeSheet({ open, onOpen, cooking }: Omit<Props, "touch"> & { cooking: number }) {
  const recipes = useQuery({
    queryKey: ["tonight", cooking],
    queryFn: () => answer(api.GET("/api/cookings/{cooking_id}/recipes", { params: { path: { cooking_id: cooking } } })),
    staleTime: Infinity,
    gcTime: Infinity,
  });
  return (
    <Bottom open={open} onOpen={onOpen} title="The recipe">
      {recipes.isPending && <p className="text-[18px] text-soft">It is fetched…</p>}
      <Wrong trouble={recipes.data ? null : asTrouble(recipes.error)} />
      {recipes.data?.map((dish) => (
        <section key={dish.title} className="mb-6" aria-label={dish.title}>
          <h3 className="text-[24px] leading-tight">{dish.title}</h3>
          <ul className="m-0 mt-2 list-none p-0">
            {dish.ingredients.map((line, n) => (
              <li key={n} className="dotted py-1 text-[20px] leading-snug">
                {line.section !== (dish.ingredients[n - 1]?.section ?? "") && <span className="block pt-1 text-[16px] font-semibold text-soft">{line.section}</span>}
                {line.text}
              </li>
            ))}
          </ul>
          <ol className="m-0 mt-3 list-none p-0">
            {dish.steps.map((step, n) => (
              <li key={n} className="mt-2 text-[20px] leading-snug">
                {step.section !== (dish.steps[n - 1]?.section ?? "") && <span className="block pt-1 text-[16px] font-semibold text-soft">{step.section}</span>}
                {step.text}
              </li>
            ))}
          </ol>
        </section>
      ))}
    </Bottom>
  );
}

export function NoteSheet({ open, onOpen, touch, notes }: Props & { notes: string[] }) {
  const [text, setText] = useState("");
  return (
    <Bottom open={open} onOpen={onOpen} title="A note for next time">
      <textarea value={text} maxLength={500} onChange={(e) => setText(e.target.value)} aria-label="Note" rows={3} className="w-full rounded-key border border-line bg-quiet p-3 text-[18px]" />
      <Button
        kind="main"
        className="mt-2 min-h-16 w-full text-[18px]"
        disabled={text.trim() === ""}
        onClick={() => {
          touch("note", { text: text.trim() }, "note");
          setText("");
          onOpen(false);
        }}
      >
        Keep the note
      </Button>
      {notes.map((n) => (
        <p key={n} className="mt-2 text-[16px] text-soft">
          {n}
        </p>
      ))}
    </Bottom>
  );
}

/** What the cook sees → an amount and minutes for this pot as it stands; taken up with one touch. */
export function WrongSheet({ open, onOpen, touch, cooking, pots, first, steps }: Props & { cooking: number; pots: CookPot[]; first: CookPot; steps: CookStep[] }) {
  const [key, setKey] = useState(first.key);
  const [found, setFound] = useState<Rescue | null>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const pot = pots.find((p) => p.key === key) ?? first;
  const ask = async (what: string) => {
    try {
      setFound(await answer(api.POST("/api/cookings/{cooking_id}/wrong", { params: { path: { cooking_id: cooking } }, body: { id: newId(), pot: pot.key, what } })));
      setTrouble(null);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  const close = (o: boolean) => {
    if (!o) setFound(null);
    onOpen(o);
  };
  const cook = steps.find((s) => s.pot === pot.key && s.kind === "cook" && s.status === "running");
  const take = () => {
    if (!found) return;
    if (found.add_ml > 0 && pot.on !== null && found.what !== "crust") touch("poured", { pot: pot.key, ml: found.add_ml }, `${found.add_ml} ml more`);
    if (found.add_min > 0 && cook && found.what !== "salty") touch("not_yet", { step: cook.id, minutes: found.add_min }, `${found.add_min} minutes more`);
    if (found.lid && found.lid !== pot.lid && pot.on !== null) touch("lid", { pot: pot.key, lid: found.lid }, "lid");
    close(false);
  };
  return (
    <Bottom open={open} onOpen={close} title={found ? `${pot.name}: ${pot.wrongs.find((w) => w.code === found.what)?.text ?? ""}` : "What do you see?"}>
      {!found && (
        <>
          <Which pots={pots} at={pot.key} pick={setKey} />
          <div className="grid grid-cols-2 gap-2">
            {pot.wrongs.map((w) => (
              <Button key={w.code} className="min-h-16 text-[18px]" onClick={() => void ask(w.code)}>
                {w.text}
              </Button>
            ))}
          </div>
        </>
      )}
      {trouble && <Wrong trouble={trouble} className="mt-2" />}
      {found && (
        <>
          {(found.add_ml > 0 || found.add_min > 0) && (
            <p className="mb-3 flex gap-6">
              {found.add_ml > 0 && (
                <span>
                  <span className="poster block text-[64px]">{found.add_ml}</span>
                  <span className="text-[17px] font-semibold">ml boiling</span>
                </span>
              )}
              {found.add_min > 0 && (
                <span>
                  <span className="poster block text-[64px]">{found.add_min}</span>
                  <span className="text-[17px] font-semibold">{found.add_min === 1 ? "minute" : "minutes"}</span>
                </span>
              )}
            </p>
          )}
          <p className="text-[19px] leading-snug">{found.text}</p>
          {found.because && <p className="mt-2 text-[16px] text-soft">Because {found.because}.</p>}
          <div className="mt-4 grid grid-cols-2 gap-2">
            <Button className="min-h-16 text-[18px]" onClick={() => setFound(null)}>
              Something else
            </Button>
            <Button kind="main" className="min-h-16 text-[18px]" onClick={take}>
              I do that
            </Button>
          </div>
        </>
      )}
    </Bottom>
  );
}
