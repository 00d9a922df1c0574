import { BellRing, Mic, MicOff, Moon, Undo2, Volume2, VolumeX } from "lucide-react";
import { useEffect, useState } from "react";
import { Link, useParams } from "react-router";
import { answer, api, asTrouble, type CookPot, type CookState, type CookStep, type Trouble } from "../../api/client";
import { pourSaid } from "../../job/words";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { useDarkHere } from "../../ui/theme";
import { useWide } from "../../ui/useWide";
import { doings, left, upcoming } from "./fold";
import { AfterMeal } from "./After";
import { callBy, say, useAudioAwake, useAwake } from "./call";
import { LivePot } from "./LivePot";
import { newId } from "./store";
import { CallSheet, DoneSheet, NoteSheet, PourSheet, RecipeSheet, WrongSheet } from "./Sheets";
import { useCall } from "./useCall";
import { useCooking, type Cooking } from "./useCooking";
import { clock, dated } from "../../job/manner";

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
  const now = state.steps.find((s) => s.id === state.now) ?? state.steps.find((s) => s.id === early && s.status === "waiting") ?? null;
  const pot = state.pots.find((p) => p.key === now?.pot) ?? state.pots.find((p) => p.on !== null) ?? state.pots[0];
  const next = upcoming(state.steps, minute);
  const many = new Set(state.steps.map((s) => s.dish)).size > 1;
  // what is due and asked about above needs no timer of its own
  const timers = state.steps.filter((s) => s.status === "running" && s.id !== state.now).sort((a, b) => (a.due ?? 0) - (b.due ?? 0));
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

  if (state.ended !== null || state.all_done) return <Over state={state} undo={(event) => cooking.touch("undo", { event }, "")} clockAt={clockAt} id={id} practice={(cooking.info?.speed ?? 1) > 1} at={(m) => began.getTime() + m * 60_000} />;
  return (
    <div className="pb-8 pt-3">
      <h1 className="sr-only">{state.title}</h1>
      <p className="sr-only" role="status" aria-live="assertive" data-calls>
        {said}
      </p>
      <TopLine cooking={cooking} state={state} clockAt={clockAt} awake={awake} id={id} openCall={() => setSheet("call")} />
      <div className="mt-3 grid items-start gap-4 min-[62.5rem]:grid-cols-[minmax(0,1.35fr)_minmax(0,1fr)]">
        <section aria-label="Now" className="min-w-0 rounded-sheet border border-line bg-sheet p-4 min-[62.5rem]:p-7">
          {now ? (
            <Now key={now.id} step={now} pot={state.pots.find((p) => p.key === now.pot)} minute={minute} out={state.out} touch={touch} open={setSheet} wide={wide} />
          ) : (
            <Waiting next={next} minute={minute} clockAt={clockAt} onEarly={setEarly} locked={state.pots.some((p) => p.locked && p.key === next[0]?.step.pot)} />
          )}
          {state.pots
            .filter((p) => p.whistles > 0 && p.locked)
            .map((p) => (
              <Button key={p.key} className="mt-3 min-h-[76px] w-full gap-3 text-head font-semibold" onClick={() => touch("whistle", { pot: p.key }, `${p.name}: it whistled`)}>
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
              <Undo2 size={18} aria-hidden className="shrink-0" /> <span className="min-w-0 truncate">Undo: {undo.what}</span>
            </button>
          )}
        </section>
        <div className="min-w-0 space-y-4">
          {timers.length > 0 && (
            <section aria-label="Timers" className="rounded-sheet border border-line bg-sheet px-4 py-2">
              {timers.map((t) => (
                <Timer key={t.id} step={t} many={many} minute={minute} onDone={() => touch("done", { step: t.id }, t.title)} />
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
            <p className="pt-1.5 font-show text-lead font-[680]">{clockAt(Math.max(state.serve.expected, minute))} to the table</p>
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
      {pot && <PourSheet open={sheet === "pour"} onOpen={(o) => setSheet(o ? "pour" : null)} pots={state.pots.filter((p) => p.on !== null && !p.locked)} first={pot} touch={touch} />}
      <RecipeSheet open={sheet === "recipe"} onOpen={(o) => setSheet(o ? "recipe" : null)} cooking={id} />
      <NoteSheet open={sheet === "note"} onOpen={(o) => setSheet(o ? "note" : null)} notes={state.notes.map((n) => `${clockAt(n.minute)} ${n.text}`)} touch={touch} />
      <DoneSheet open={sheet === "done"} onOpen={(o) => setSheet(o ? "done" : null)} events={state.events} clockAt={clockAt} undo={(event) => cooking.touch("undo", { event }, "")} />
      <CallSheet open={sheet === "call"} onOpen={(o) => setSheet(o ? "call" : null)} />
      {pot && <WrongSheet open={sheet === "wrong"} onOpen={(o) => setSheet(o ? "wrong" : null)} pots={state.pots} first={troubled(state) ?? pot} steps={state.steps} minute={minute} touch={touch} />}
    </div>
  );
}

type Touching = (kind: string, data: Parameters<Cooking["touch"]>[1], what: string) => void;

/** The pot that something can go wrong with: the one that is on the heat, the last put on first. */
function troubled(state: CookState): CookPot | undefined {
  const off = new Set(state.steps.filter((s) => s.kind === "cook" && s.status === "done").map((s) => s.pot));
  const on = state.pots.filter((p) => p.on !== null).sort((a, b) => (b.on ?? 0) - (a.on ?? 0));
  return on.find((p) => !off.has(p.key)) ?? on[0];
}

function TopLine({ cooking, state, clockAt, awake, id, openCall }: { cooking: Cooking; state: CookState; clockAt: (m: number) => string; awake: boolean; id: number; openCall: () => void }) {
  const [call, setCall] = callBy.use();
  const sounding = useAudioAwake();
  const late = Math.round(Math.max(state.serve.expected, cooking.minute) - state.serve.planned);
  const practice = (cooking.info?.speed ?? 1) > 1;
  const key = "grid h-14 w-14 place-items-center rounded-key border border-line";
  return (
    <div>
      <div className="flex flex-wrap items-center gap-x-3 gap-y-2">
        <p className="mr-auto min-w-0 leading-tight">
          <span className="figures font-show text-title font-bold">{clockAt(cooking.minute)}</span>
          <span className="block text-small text-soft">
            table at {clockAt(Math.max(state.serve.expected, cooking.minute))}
            {late > 0 && <strong className="text-warn"> +{late}</strong>}
            {practice && `, ${cooking.info?.speed ?? 1} times as fast`}
          </span>
        </p>
        {practice && (
          <Button
            className="min-h-14"
            aria-pressed={cooking.info?.alone}
            onClick={() => void answer(api.PUT("/api/cookings/{cooking_id}/alone", { params: { path: { cooking_id: id } }, body: { alone: !cooking.info?.alone } })).then(cooking.refresh)}
          >
            {cooking.info?.alone ? "Runs by itself" : "Let it run by itself"}
          </Button>
        )}
        <button type="button" className={key} aria-pressed={call.sound} aria-label={call.sound ? "Sound is on" : "Sound is off"} onClick={() => setCall({ ...call, sound: !call.sound })}>
          {call.sound ? <Volume2 size={22} /> : <VolumeX size={22} />}
        </button>
        <button type="button" className={key} aria-pressed={call.voice} aria-label={call.voice ? "Voice is on" : "Voice is off"} onClick={() => { setCall({ ...call, voice: !call.voice }); if (!call.voice) say("I will say what is next."); }}>
          {call.voice ? <Mic size={22} /> : <MicOff size={22} />}
        </button>
        <button type="button" className={key} aria-label="How it calls" onClick={openCall}>
          <BellRing size={22} />
        </button>
      </div>
      {call.sound && !sounding && (
        <button type="button" className="mt-2 min-h-14 w-full rounded-key border-2 border-warn bg-warn-pale px-3 text-left text-body font-semibold">
          Touch here once: until then this page may not make a sound.
        </button>
      )}
      <div className="mt-1 flex flex-wrap gap-x-4 text-small">
        {cooking.offline && (
          <p role="status" className="font-semibold text-warn">
            No network. Go on here: {cooking.waiting === 0 ? "nothing is lost" : cooking.waiting === 1 ? "1 touch waits" : `${cooking.waiting} touches wait`}.
          </p>
        )}
        {!awake && (
          <p className="flex items-center gap-1 text-soft">
            <Moon size={14} aria-hidden /> screen may sleep
          </p>
        )}
        {state.said.map((s) => (
          <p key={s} className="font-semibold">
            {s}
          </p>
        ))}
      </div>
      {cooking.trouble && <Wrong trouble={cooking.trouble} className="mt-2" />}
    </div>
  );
}

// a timer ended so much before its time is asked about
const EARLY_MIN = 0.5;
const BEGIN: Record<string, string> = { boil: "Heat is on", soak: "It is soaking", roast: "In the hot pot", dry: "It is drying", cool: "Spread out", chill: "In the fridge", sprout: "Done, leave it" };
const END: Record<string, string> = { boil: "It boils", cook: "It is done: off the heat", rest: "Rested", soak: "Soaked", release: "Pressure is down", roast: "It smells nutty", cool: "It is cool", chill: "It is cold", kettle: "Kettle is on", add: "It is in", stir: "Stirred", early: "It has had its time", finish: "To the table", keep: "It is in the fridge" };

const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** The dish a step is for; first its part that is a dish of its own. */
const whose = (step: CookStep): string => (step.part ? `${step.part}: ${step.dish}` : step.dish);

/** The one thing to do. Large enough for wet hands at arm's length. */
function Now({ step, pot, minute, out, touch, open, wide }: { step: CookStep; pot?: CookPot; minute: number; out: string[]; touch: Touching; open: (s: "pour") => void; wide: boolean }) {
  const running = step.status === "running";
  const over = running ? minute - (step.due ?? minute) : 0;
  const pours = step.kind === "boil" && !running && step.pour_ml > 0;
  // a title that was cut short stands whole in the recipe's own words
  const cut = step.title.endsWith(" …");
  const look = step.kind === "cook" || (running && step.look !== "");
  const said = pot && pours ? pourSaid(step.pour_ml, pot.pour_said) : { number: String(step.pour_ml), unit: "ml", also: null };
  const unfound = step.count_out.filter((c) => !out.includes(c));
  const main = running || step.style === "do" || step.style === "remind" ? (step.key || (END[step.kind] ?? "Done")) : (BEGIN[step.kind] ?? "Begun");
  return (
    <div>
      <p className="text-body font-semibold text-soft">{whose(step)}</p>
      {pours && (
        <p className="mt-2 flex items-baseline gap-x-3">
          <span className="poster text-stove">{said.number}</span>
          <span className="min-w-0 text-head font-semibold leading-tight">
            {said.unit}
            {said.also && <span className="block">{said.also}</span>}
          </span>
        </p>
      )}
      {step.kind === "kettle" && (
        <p className="mt-2 flex items-baseline gap-x-3">
          <span className="poster text-stove">{step.reserve_ml}</span>
          <span className="text-head font-semibold">ml, kept boiling</span>
        </p>
      )}
      <h2 className={`mt-2 ${cut ? "text-title leading-[1.18] min-[62.5rem]:text-show" : "text-show leading-[1.08] min-[62.5rem]:text-number"}`}>{cut ? step.words : step.title}</h2>
      {step.goes_in.length > 0 && !running && (
        <ul aria-label="What goes in now" className="m-0 mt-3 list-none p-0">
          {step.goes_in.map((line) => (
            <li key={line} className="dotted py-1 text-head font-semibold leading-snug last:border-0">
              {line}
            </li>
          ))}
        </ul>
      )}
      {look && step.look && (
        <p className="mt-3 text-head leading-snug">
          <strong className="changed">Look</strong> {step.look}
        </p>
      )}
      {running && over > 0.5 && <p className="mt-1 text-body text-soft">{left(over)} over its time</p>}
      {step.words && !cut && <p className="mt-3 text-head leading-snug">{step.words}</p>}
      {["roast", "act"].includes(step.kind) && step.style === "begin" && step.minutes > 0 && !running && <p className="mt-2 text-lead text-soft">about {step.minutes} minutes</p>}
      {step.count_out.length > 0 && (
        <div className="mt-4" role="group" aria-label="Count them out">
          <p className="mb-1 text-body font-semibold">Count them out:</p>
          {step.count_out.map((c) => (
            <label key={c} className="mb-1.5 flex min-h-14 items-center gap-3 rounded-key border border-line px-3 text-lead">
              <input type="checkbox" checked={out.includes(c)} onChange={(e) => touch("out", { thing: c, found: e.target.checked }, c)} className="h-7 w-7 accent-[var(--water)]" />
              <span className={out.includes(c) ? "line-through decoration-2" : ""}>{c}</span>
            </label>
          ))}
        </div>
      )}
      {step.cautions.map((c) => (
        <p key={c} className="mt-3 border-l-4 border-warn bg-warn-pale px-3 py-2 text-body leading-snug">
          {c}
        </p>
      ))}
      <Button kind="main" data-go className="mt-5 min-h-[76px] w-full text-head" onClick={() => touch(running || step.style !== "begin" ? "done" : "begun", { step: step.id }, step.title)}>
        {unfound.length > 0 && step.kind === "finish" ? `${unfound.length} not found yet: serve all the same` : main}
      </Button>
      {running && (
        <div className="mt-2 grid grid-cols-2 gap-2">
          <Button className="min-h-16 text-lead" onClick={() => touch("not_yet", { step: step.id, minutes: 3 }, "3 minutes more")}>
            Not yet: 3 min
          </Button>
          {step.kind === "cook" && pot && !pot.locked ? (
            <Button className="min-h-16 text-lead" onClick={() => open("pour")}>
              Poured more
            </Button>
          ) : (
            <Button className="min-h-16 text-lead" onClick={() => touch("not_yet", { step: step.id, minutes: wide ? 10 : 10 }, "10 minutes more")}>
              10 min
            </Button>
          )}
        </div>
      )}
    </div>
  );
}

function Waiting({ next, minute, clockAt, onEarly, locked }: { locked: boolean; onEarly: (id: string) => void; next: { step: CookStep; at: number }[]; minute: number; clockAt: (m: number) => string }) {
  const first = next[0];
  if (!first) return <p className="text-head">Nothing is left to do.</p>;
  const ahead = next.find((n) => n.step.status === "waiting" && n.step.ready !== null && n.step.style !== "remind");
  return (
    <div>
      <p className="text-body font-semibold text-soft">Nothing to do until {clockAt(first.at)}</p>
      <p className="poster mt-3 text-stove" role="timer" aria-label={`${Math.ceil(first.at - minute)} minutes left`}>
        {left(first.at - minute)}
      </p>
      <h2 className="mt-3 text-title min-[62.5rem]:text-show">
        {first.step.status === "running" && first.step.look && !locked ? "then look: " : "then: "}
        {lower(first.step.status === "running" && locked && first.step.key ? first.step.key : first.step.title)}
      </h2>
      <p className="mt-1 text-body text-soft">{whose(first.step)}</p>
      {ahead && (
        <Button className="mt-4 min-h-16 w-full text-lead" onClick={() => onEarly(ahead.step.id)}>
          {ahead === first ? "Do it now" : `Now already: ${lower(ahead.step.title)}`}
        </Button>
      )}
    </div>
  );
}

function Timer({ step, minute, many, onDone }: { step: CookStep; minute: number; many: boolean; onDone: () => void }) {
  const rest = (step.due ?? 0) - minute;
  // a touch too early ends what nobody can begin again: asked once
  const [sure, setSure] = useState(false);
  const early = rest > EARLY_MIN;
  return (
    <div className="dotted grid grid-cols-[minmax(92px,auto)_1fr_auto] items-center gap-3 py-1.5 last:border-0">
      <span className={`figures font-show text-show font-bold leading-none ${rest <= 0 ? "text-warn" : ""}`} role="timer">
        {rest > 0 ? left(rest) : "look"}
      </span>
      <span className="min-w-0 text-body leading-tight">
        {step.title}
        {many && <span className="block truncate text-small text-soft">{whose(step)}</span>}
      </span>
      {early && sure ? (
        <span className="col-span-3 flex items-center gap-2">
          <span className="mr-auto text-body font-semibold">Done already, {left(rest)} before its time?</span>
          <Button className="min-h-14" onClick={() => setSure(false)}>
            Let it run
          </Button>
          <Button className="min-h-14 text-warn" onClick={onDone}>
            Yes, done
          </Button>
        </span>
      ) : (
        <button type="button" onClick={early ? () => setSure(true) : onDone} aria-label={`Done: ${step.title}, ${step.dish}`} className="min-h-14 rounded-key px-3 text-body font-semibold text-water">
          Done
        </button>
      )}
    </div>
  );
}

function PotKeys({ pot, cookingId, onDone, touch, open }: { pot: CookPot; cookingId: number; onDone: () => Promise<void>; touch: Touching; open: (s: "pour") => void }) {
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const bare = pot.lid === "open";
  const weigh = async () => {
    try {
      await answer(api.POST("/api/cookings/{cooking_id}/stand-in", { params: { path: { cooking_id: cookingId } }, body: { id: newId(), pot: pot.key, kind: "scale" } }));
      await onDone();
      setTrouble(null);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  return (
    <div className="mt-3">
      {pot.scale && <p className="mb-2 text-body font-semibold">{pot.scale}</p>}
      {pot.verdict && <p className="mb-2 border-l-4 border-mark pl-3 text-body">{pot.verdict}</p>}
      {trouble && <Wrong trouble={trouble} className="mb-2" />}
      {pot.locked && <p className="text-body font-semibold">Locked until its pressure is down: nothing goes in, nothing is stirred, the lid stays on.</p>}
      <div className={pot.locked ? "hidden" : "grid grid-cols-3 gap-2"}>
        <Button className="min-h-14 px-1" onClick={() => open("pour")}>
          Poured more
        </Button>
        {pot.own_lid !== "open" || bare ? (
          <Button className="min-h-14 px-1" disabled={bare && pot.own_lid === "open"} onClick={() => touch("lid", { pot: pot.key, lid: bare ? pot.own_lid : "open" }, bare ? "lid on" : "lid off")}>
            {bare && pot.own_lid !== "open" ? "Lid on" : "Lid off"}
          </Button>
        ) : (
          <Button className="min-h-14 px-1" onClick={() => touch("lid", { pot: pot.key, lid: "ordinary" }, "lid on")}>
            Lid on
          </Button>
        )}
        <Button className="min-h-14 px-1" onClick={() => void weigh()}>
          On the scale
        </Button>
      </div>
    </div>
  );
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

function Over({ state, undo, clockAt, id, practice, at }: { state: CookState; undo: (event: string) => void; clockAt: (m: number) => string; id: number; practice: boolean; at: (m: number) => number }) {
  const keep = state.steps.find((s) => s.kind === "keep");
  // the touch that ended it: the last one, which can be taken back as any other
  const slip = doings(state.events).find((d) => !d.gone && (d.event.kind === "ended" || d.event.kind === "done"));
  const served = Math.max(...state.steps.filter((s) => s.kind === "finish").map((s) => s.end ?? 0), 0);
  return (
    <div className="mx-auto max-w-[640px] pt-8">
      <h1 className="text-show">On the table</h1>
      <p className="mt-2 text-lead">
        {state.title}, {served > 0 ? `at ${clockAt(served)}` : "ended"}
        {served > 0 && Math.abs(served - state.serve.planned) >= 1.5 && ` instead of ${clockAt(state.serve.planned)}`}.
      </p>
      {state.said.map((s) => (
        <p key={s} className="mt-1 text-body text-soft">
          {s}
        </p>
      ))}
      {state.ended !== null || served > 0 ? <AfterMeal cooking={id} served={practice ? null : new Date(at(served))} /> : null}
      {keep && (
        <>
          <p className="mt-5 text-lead font-semibold">What is left: shallow, and into the fridge by {clockAt(served + keep.offset)}{practice && " by the practice clock"}.</p>
          {keep.cautions.map((c) => (
            <p key={c} className="mt-2 border-l-4 border-warn bg-warn-pale px-3 py-2 text-body">
              {c}
            </p>
          ))}
        </>
      )}
      <div className="mt-6 flex gap-3">
        {slip && (
          <Button className="min-h-16 flex-1 text-lead" onClick={() => undo(slip.undo)}>
            <Undo2 size={18} aria-hidden /> Not over yet
          </Button>
        )}
        <Link to="/stove" className={`${keyLook()} min-h-16 flex-1 text-lead`}>
          To the stove
        </Link>
      </div>
    </div>
  );
}
