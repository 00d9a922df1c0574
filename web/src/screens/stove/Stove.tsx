import { Undo2 } from "lucide-react";
import { useEffect, useState } from "react";
import { Link, useParams } from "../../ui/route";
import { type CookPot, type CookState } from "../../api/client";
import { clock, dated } from "../../job/manner";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { useDarkHere } from "../../ui/theme";
import { useWide } from "../../ui/useWide";
import { useAwake } from "./call";
import { upcoming } from "./fold";
import { LivePot } from "./LivePot";
import { Now } from "./Now";
import { Over } from "./Over";
import { PotKeys } from "./PotKeys";
import { CallSheet, DoneSheet, NoteSheet, PourSheet, RecipeSheet, WrongSheet } from "./Sheets";
import { Timer, Waiting } from "./Timers";
import { TopLine } from "./TopLine";
import { useCall } from "./useCall";
import { useCooking, type Cooking } from "./useCooking";

/** One cooking at the stove: what to do now, huge; what comes next; every timer that runs. */
export function Stove() {
  const id = Number(useParams().id);
  const cooking = useCooking(id);
  useDarkHere();
  if (!cooking.state || !cooking.info)
    return (
      <div className="pt-10">
        {cooking.trouble ? (
          <>
            <Wrong trouble={cooking.trouble} />
            <Link to="/stove" className={`mt-4 ${keyLook()}`}>
              To the stove
            </Link>
          </>
        ) : (
          <p role="status" className="text-lead text-soft">
            {cooking.offline ? "No network: waiting for the kitchen's server…" : "Looking into the pots…"}
          </p>
        )}
      </div>
    );
  return <Going cooking={cooking} state={cooking.state} id={id} />;
}

function Going({ cooking, state, id }: { cooking: Cooking; state: CookState; id: number }) {
  const wide = useWide();
  const { minute } = cooking;
  const began = new Date(cooking.info?.began ?? 0);
  const clockAt = (m: number) => {
    const at = new Date(began.getTime() + m * 60_000);
    const now = new Date(began.getTime() + minute * 60_000);
    // a soak or a sprout reaches into another day
    return at.toDateString() === now.toDateString() ? clock(at) : `${dated(at, { weekday: "short" })} ${clock(at)}`;
  };
  // a step whose time has not come but which could be done: the cook may take it first
  const [early, setEarly] = useState<string | null>(null);
  const now =
    state.steps.find((s) => s.id === state.now) ??
    state.steps.find((s) => s.id === early && s.status === "waiting") ??
    null;
  const pot = state.pots.find((p) => p.key === now?.pot) ?? state.pots.find((p) => p.on !== null) ?? state.pots[0];
  const next = upcoming(state.steps, minute);
  const many = new Set(state.steps.map((s) => s.dish)).size > 1;
  // what is due and asked about above needs no timer of its own
  const timers = state.steps
    .filter((s) => s.status === "running" && s.id !== state.now)
    .sort((a, b) => (a.due ?? 0) - (b.due ?? 0));
  const [undo, setUndo] = useState<{ id: string; what: string } | null>(null);
  const [sheet, setSheet] = useState<"pour" | "wrong" | "note" | "recipe" | "done" | "call" | null>(null);
  const said = useCall(state, minute);
  const awake = useAwake();

  useEffect(() => {
    if (!undo) return;
    const timer = setTimeout(() => setUndo(null), 12_000);
    return () => clearTimeout(timer);
  }, [undo]);
  const touch = (kind: string, data: Parameters<Cooking["touch"]>[1], what: string) => {
    const made = cooking.touch(kind, data, what);
    setUndo({ id: made, what });
  };

  if (state.ended !== null || state.all_done)
    return (
      <Over
        state={state}
        undo={(event) => cooking.touch("undo", { event }, "")}
        clockAt={clockAt}
        id={id}
        practice={(cooking.info?.speed ?? 1) > 1}
        at={(m) => began.getTime() + m * 60_000}
      />
    );
  return (
    <div className="pb-8 pt-3">
      <h1 className="sr-only">{state.title}</h1>
      <p className="sr-only" role="status" aria-live="assertive" data-calls>
        {said}
      </p>
      <TopLine
        cooking={cooking}
        state={state}
        clockAt={clockAt}
        awake={awake}
        id={id}
        openCall={() => setSheet("call")}
      />
      <div className="mt-3 grid items-start gap-4 min-[62.5rem]:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
        <section aria-label="Now" className="min-w-0 rounded-sheet border border-line bg-sheet p-4 min-[62.5rem]:p-7">
          {now ? (
            <Now
              key={now.id}
              step={now}
              pot={state.pots.find((p) => p.key === now.pot)}
              minute={minute}
              out={state.out}
              touch={touch}
              open={setSheet}
              wide={wide}
            />
          ) : (
            <Waiting
              next={next}
              minute={minute}
              clockAt={clockAt}
              onEarly={setEarly}
              locked={state.pots.some((p) => p.locked && p.key === next[0]?.step.pot)}
            />
          )}
          {state.pots
            .filter((p) => p.whistles > 0 && p.locked)
            .map((p) => (
              <Button
                key={p.key}
                className="mt-3 min-h-[76px] w-full gap-3 text-head font-semibold"
                onClick={() => touch("whistle", { pot: p.key }, `${p.name}: it whistled`)}
              >
                {state.pots.length > 1 ? `The ${p.short} whistled` : "It whistled"}
                <span className="figures font-show text-title font-bold">
                  {p.whistled} of {p.whistles}
                </span>
              </Button>
            ))}
          {undo && (
            <button
              type="button"
              onClick={() => {
                cooking.touch("undo", { event: undo.id }, "");
                setUndo(null);
              }}
              className="mt-3 flex min-h-14 w-full min-w-0 items-center justify-center gap-2 rounded-key border border-line px-3 text-body text-soft"
            >
              <Undo2 size={18} aria-hidden className="shrink-0" />{" "}
              <span className="min-w-0 truncate">Undo: {undo.what}</span>
            </button>
          )}
        </section>
        <div className="min-w-0 space-y-4">
          {timers.length > 0 && (
            <section aria-label="Timers" className="rounded-sheet border border-line bg-sheet px-4 py-2">
              {timers.map((t) => (
                <Timer
                  key={t.id}
                  step={t}
                  many={many}
                  minute={minute}
                  onDone={() => touch("done", { step: t.id }, t.title)}
                />
              ))}
            </section>
          )}
          {pot && pot.on !== null && (
            <section aria-label="The pot" className="rounded-sheet border border-line bg-sheet p-4">
              <LivePot pot={pot} minute={minute - pot.on} />
              <PotKeys pot={pot} cookingId={id} onDone={cooking.refresh} touch={touch} open={setSheet} />
            </section>
          )}
          <section aria-label="Next" className="rounded-sheet border border-line bg-sheet px-4 py-3">
            {next
              .filter((n) => n.step.status === "waiting" && n.step.id !== now?.id)
              .slice(0, 3)
              .map(({ step, at }) => (
                <p key={step.id} className="dotted flex items-baseline gap-3 py-1.5 text-body last:border-0">
                  <span className="figures font-bold">{clockAt(at)}</span>
                  <span className="min-w-0">
                    {step.title}
                    {(many || step.part) && <span className="text-soft">, {step.part || step.dish}</span>}
                  </span>
                </p>
              ))}
            <p className="pt-1.5 font-show text-lead font-[680]">
              {clockAt(Math.max(state.serve.expected, minute))} to the table
            </p>
          </section>
          <div className="grid grid-cols-2 gap-2">
            <Button className="min-h-14" onClick={() => setSheet("recipe")}>
              The recipe
            </Button>
            <Button className="min-h-14 flex-1" disabled={state.events.length === 0} onClick={() => setSheet("done")}>
              What was done
            </Button>
            <Button className="min-h-14 flex-1" onClick={() => setSheet("note")}>
              Note
            </Button>
            <Button className="min-h-14 flex-1" onClick={() => setSheet("wrong")}>
              Something went wrong
            </Button>
          </div>
          <Stop onStop={() => cooking.touch("ended", {}, "Stopped")} />
        </div>
      </div>
      {pot && (
        <PourSheet
          open={sheet === "pour"}
          onOpen={(o) => setSheet(o ? "pour" : null)}
          pots={state.pots.filter((p) => p.on !== null && !p.locked)}
          first={pot}
          touch={touch}
        />
      )}
      <RecipeSheet open={sheet === "recipe"} onOpen={(o) => setSheet(o ? "recipe" : null)} cooking={id} />
      <NoteSheet
        open={sheet === "note"}
        onOpen={(o) => setSheet(o ? "note" : null)}
        notes={state.notes.map((n) => `${clockAt(n.minute)} ${n.text}`)}
        touch={touch}
      />
      <DoneSheet
        open={sheet === "done"}
        onOpen={(o) => setSheet(o ? "done" : null)}
        events={state.events}
        clockAt={clockAt}
        undo={(event) => cooking.touch("undo", { event }, "")}
      />
      <CallSheet open={sheet === "call"} onOpen={(o) => setSheet(o ? "call" : null)} />
      {pot && (
        <WrongSheet
          open={sheet === "wrong"}
          onOpen={(o) => setSheet(o ? "wrong" : null)}
          pots={state.pots}
          first={troubled(state) ?? pot}
          steps={state.steps}
          minute={minute}
          touch={touch}
        />
      )}
    </div>
  );
}

/** The pot that something can go wrong with: the one that is on the heat, the last put on first. */
function troubled(state: CookState): CookPot | undefined {
  const off = new Set(state.steps.filter((s) => s.kind === "cook" && s.status === "done").map((s) => s.pot));
  const on = state.pots.filter((p) => p.on !== null).sort((a, b) => (b.on ?? 0) - (a.on ?? 0));
  return on.find((p) => !off.has(p.key)) ?? on[0];
}

/** Two touches, so that a wet sleeve does not end a dinner. */
function Stop({ onStop }: { onStop: () => void }) {
  const [sure, setSure] = useState(false);
  return (
    <div className="text-center">
      {sure ? (
        <span className="flex gap-2">
          <Button className="min-h-14 flex-1" onClick={() => setSure(false)}>
            Go on cooking
          </Button>
          <Button className="min-h-14 flex-1 text-warn" onClick={onStop}>
            Yes, stop it
          </Button>
        </span>
      ) : (
        <button type="button" className="min-h-11 px-4 text-body text-soft" onClick={() => setSure(true)}>
          Stop this cooking
        </button>
      )}
    </div>
  );
}
