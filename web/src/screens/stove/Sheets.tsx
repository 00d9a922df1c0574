import { useQuery } from "@tanstack/react-query";
import { useState } from "react";
import {
  answer,
  api,
  asTrouble,
  type CookPot,
  type CookStep,
  type Rescue,
  type Tonight,
  type Trouble,
} from "../../api/client";
import { Bottom } from "../../ui/Bottom";
import { Button, Wrong } from "../../ui/bits";
import { callBy, chime, say, shake } from "./call";
import { doings, nearest, type Done } from "./fold";
import { keepRecipes, seenRecipes } from "./store";
import type { Cooking } from "./useCooking";
import { manner } from "../../job/manner";
import { said, typed as typedAs, unitOf } from "../../job/rim";
import { pourSaid } from "../../job/words";

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
        <Button
          key={p.key}
          className={`min-h-14 ${p.key === at ? "border-ink font-bold outline outline-1 outline-ink" : ""}`}
          aria-pressed={p.key === at}
          onClick={() => pick(p.key)}
        >
          {p.name}
        </Button>
      ))}
    </div>
  );
}

const MOST_ML = 5000;

/** "Poured k ml more", in the cook's own measure first. */
export function PourSheet({ open, onOpen, touch, pots, first }: Props & { pots: CookPot[]; first: CookPot }) {
  const [key, setKey] = useState(first.key);
  const [text, setText] = useState("");
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const pot = pots.find((p) => p.key === key) ?? first;
  const pour = (ml: number, words = said("water", ml)) => {
    touch("poured", { pot: pot.key, ml }, `${words} more`);
    setText("");
    setTrouble(null);
    onOpen(false);
  };
  const typed = () => {
    const ml = typedAs("water", text);
    if (!Number.isFinite(ml) || ml < 1 || ml > MOST_ML)
      return setTrouble({
        code: "ml",
        where: "ml",
        text: `“${text}” is no amount to pour; write ${unitOf("water") === "ml" ? "millilitres" : unitOf("water")}, up to ${said("water", MOST_ML)}.`,
      });
    pour(ml);
  };
  return (
    <Bottom open={open} onOpen={onOpen} title="Boiling water, poured in now">
      <Which pots={pots} at={pot.key} pick={setKey} />
      <div className="grid grid-cols-3 gap-2">
        {pot.splashes.map((s) => (
          <Button
            key={s.ml}
            className="min-h-[84px] flex-col text-body"
            onClick={() => pour(s.ml, manner().amounts === "cups" ? s.said : undefined)}
          >
            <strong className="whitespace-nowrap text-lead">{s.said}</strong>
            <span className="text-soft">{s.ml} ml</span>
          </Button>
        ))}
      </div>
      <div className="mt-3 flex gap-2">
        <label className="flex-1">
          <span className="sr-only">Another amount, in {unitOf("water")}</span>
          <input
            value={text}
            onChange={(e) => setText(e.target.value)}
            inputMode="decimal"
            placeholder={`another amount, ${unitOf("water")}`}
            className="figures min-h-16 w-full rounded-key border border-line bg-quiet px-3 text-lead"
          />
        </label>
        <Button kind="main" className="min-h-16 px-6 text-lead" onClick={typed}>
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
    queryFn: async () => {
      const found = await answer(
        api.GET("/api/cookings/{cooking_id}/recipes", { params: { path: { cooking_id: cooking } } }),
      );
      keepRecipes(cooking, found);
      return found;
    },
    initialData: () => seenRecipes<Tonight[]>(cooking) ?? undefined,
    staleTime: Infinity,
    gcTime: Infinity,
  });
  return (
    <Bottom open={open} onOpen={onOpen} title="The recipe">
      {recipes.isPending && <p className="text-lead text-soft">It is fetched…</p>}
      <Wrong trouble={recipes.data ? null : asTrouble(recipes.error)} />
      {recipes.data?.map((dish) => (
        <section key={dish.title} className="mb-6" aria-label={dish.title}>
          <h3 className="text-head leading-tight">{dish.title}</h3>
          <ul className="m-0 mt-2 list-none p-0">
            {dish.ingredients.map((line, n) => (
              <li key={n} className="dotted py-1 text-lead leading-snug">
                {line.section !== (dish.ingredients[n - 1]?.section ?? "") && (
                  <span className="block pt-1 text-body font-semibold text-soft">{line.section}</span>
                )}
                {line.text}
              </li>
            ))}
          </ul>
          <ol className="m-0 mt-3 list-none p-0">
            {dish.steps.map((step, n) => (
              <li key={n} className="mt-2 text-lead leading-snug">
                {step.section !== (dish.steps[n - 1]?.section ?? "") && (
                  <span className="block pt-1 text-body font-semibold text-soft">{step.section}</span>
                )}
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
      <textarea
        value={text}
        maxLength={500}
        onChange={(e) => setText(e.target.value)}
        aria-label="Note"
        rows={3}
        className="w-full rounded-key border border-line bg-quiet p-3 text-lead"
      />
      <Button
        kind="main"
        className="mt-2 min-h-16 w-full text-lead"
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
        <p key={n} className="mt-2 text-body text-soft">
          {n}
        </p>
      ))}
    </Bottom>
  );
}

/** Everything done at this stove, the latest first: each can be taken back, and put back again. */
export function DoneSheet({
  open,
  onOpen,
  events,
  clockAt,
  undo,
}: Omit<Props, "touch"> & {
  events: readonly Done[];
  clockAt: (minute: number) => string;
  undo: (event: string) => void;
}) {
  const all = open ? doings(events) : [];
  return (
    <Bottom open={open} onOpen={onOpen} title="What was done">
      {all.length === 0 && <p className="text-lead text-soft">Nothing yet.</p>}
      <ul className="m-0 list-none p-0">
        {all.map(({ event, undo: by, gone }) => (
          <li key={event.id} className="dotted grid grid-cols-[auto_1fr_auto] items-center gap-3 py-1 last:border-0">
            <span className="figures text-body font-bold">{clockAt(event.minute)}</span>
            <span className={`min-w-0 text-lead leading-tight ${gone ? "text-soft line-through" : ""}`}>
              {event.text}
            </span>
            <Button
              className="min-h-14"
              aria-label={`${gone ? "Put back" : "Undo"}: ${event.text}`}
              onClick={() => undo(by)}
            >
              {gone ? "Put back" : "Undo"}
            </Button>
          </li>
        ))}
      </ul>
    </Bottom>
  );
}

/** How the stove calls: aloud, by voice, in which words. Kept on this device. */
export function CallSheet({ open, onOpen }: Omit<Props, "touch">) {
  const [call, set] = callBy.use();
  const choice = (on: boolean) => `min-h-14 flex-1 ${on ? "border-ink font-bold outline outline-1 outline-ink" : ""}`;
  return (
    <Bottom open={open} onOpen={onOpen} title="How it calls">
      <p className="text-body text-soft">
        Half a minute before a timer runs out: one soft note. When something is due: three notes, again every 20 seconds
        until you touch the screen.
      </p>
      <div role="group" aria-label="Sound" className="mt-3 flex gap-2">
        <Button className={choice(call.sound)} aria-pressed={call.sound} onClick={() => set({ ...call, sound: true })}>
          With a sound
        </Button>
        <Button
          className={choice(!call.sound)}
          aria-pressed={!call.sound}
          onClick={() => set({ ...call, sound: false })}
        >
          Silent
        </Button>
      </div>
      <div role="group" aria-label="Voice" className="mt-2 flex gap-2">
        <Button
          className={choice(!call.voice)}
          aria-pressed={!call.voice}
          onClick={() => set({ ...call, voice: false })}
        >
          No voice
        </Button>
        <Button
          className={choice(call.voice && call.words === "short")}
          aria-pressed={call.voice && call.words === "short"}
          onClick={() => set({ ...call, voice: true, words: "short" })}
        >
          Says what to do
        </Button>
        <Button
          className={choice(call.voice && call.words === "whole")}
          aria-pressed={call.voice && call.words === "whole"}
          onClick={() => set({ ...call, voice: true, words: "whole" })}
        >
          Reads the card
        </Button>
      </div>
      {call.voice && (
        <label className="mt-3 block text-body font-semibold">
          It begins with
          <input
            value={call.hail}
            maxLength={40}
            placeholder="a name, or nothing"
            onChange={(e) => set({ ...call, hail: e.target.value })}
            className="mt-1 min-h-14 w-full rounded-key border border-line bg-quiet px-3 text-lead font-normal"
          />
        </label>
      )}
      <Button
        kind="main"
        className="mt-4 min-h-16 w-full text-lead"
        onClick={() => {
          chime("now");
          shake("now");
          if (call.voice) say([call.hail.trim() && `${call.hail.trim()}:`, "It boils."].filter(Boolean).join(" "));
        }}
      >
        Try it
      </Button>
    </Bottom>
  );
}

/** What the cook sees → an amount and minutes for this pot as it stands; taken up with one touch. The mends came with the pot, so they
    are there without a network too. */
export function WrongSheet({
  open,
  onOpen,
  touch,
  pots,
  first,
  steps,
  minute,
}: Props & { pots: CookPot[]; first: CookPot; steps: CookStep[]; minute: number }) {
  const [key, setKey] = useState<string | null>(null);
  const [found, setFound] = useState<Rescue | null>(null);
  const pot = pots.find((p) => p.key === key) ?? first;
  const ask = (what: CookPot["wrongs"][number]) => {
    touch("wrong", { pot: pot.key, what: what.code }, `${pot.name}: ${what.text}`);
    setFound(nearest(what.mends, pot.on === null ? 0 : minute - pot.on));
  };
  const close = (o: boolean) => {
    if (!o) {
      setFound(null);
      setKey(null);
    }
    onOpen(o);
  };
  // a pot that is off already goes on in its rest
  const cook = ["cook", "rest"]
    .map((kind) => steps.find((s) => s.pot === pot.key && s.kind === kind && s.status === "running"))
    .find(Boolean);
  const take = () => {
    if (!found) return;
    if (found.add_ml > 0 && pot.on !== null && found.what !== "crust")
      touch("poured", { pot: pot.key, ml: found.add_ml }, `${more?.number} ${more?.unit} more`);
    if (found.add_min > 0 && cook && found.what !== "salty")
      touch("not_yet", { step: cook.id, minutes: found.add_min }, `${found.add_min} minutes more`);
    if (found.lid && found.lid !== pot.lid && pot.on !== null) touch("lid", { pot: pot.key, lid: found.lid }, "lid");
    close(false);
  };
  const more = found && pourSaid(found.add_ml, found.add_said);
  return (
    <Bottom
      open={open}
      onOpen={close}
      title={found ? `${pot.name}: ${pot.wrongs.find((w) => w.code === found.what)?.text ?? ""}` : "What do you see?"}
    >
      {!found && (
        <>
          <Which pots={pots} at={pot.key} pick={setKey} />
          <div className="grid grid-cols-2 gap-2">
            {pot.wrongs.map((w) => (
              <Button key={w.code} className="min-h-16 text-lead" onClick={() => ask(w)}>
                {w.text}
              </Button>
            ))}
          </div>
        </>
      )}
      {found && (
        <>
          {(found.add_ml > 0 || found.add_min > 0) && (
            <p className="mb-3 flex gap-6">
              {more && found.add_ml > 0 && (
                <span>
                  <span className="poster block text-poster">{more.number}</span>
                  <span className="text-body font-semibold">{more.unit} boiling</span>
                </span>
              )}
              {found.add_min > 0 && (
                <span>
                  <span className="poster block text-poster">{found.add_min}</span>
                  <span className="text-body font-semibold">{found.add_min === 1 ? "minute" : "minutes"}</span>
                </span>
              )}
            </p>
          )}
          <p className="text-lead leading-snug">{found.text}</p>
          {found.because && <p className="mt-2 text-body text-soft">Because {found.because}.</p>}
          <div className="mt-4 grid grid-cols-2 gap-2">
            <Button className="min-h-16 text-lead" onClick={() => setFound(null)}>
              Something else
            </Button>
            <Button kind="main" className="min-h-16 text-lead" onClick={take}>
              I do that
            </Button>
          </div>
        </>
      )}
    </Bottom>
  );
}
