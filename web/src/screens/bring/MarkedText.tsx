import { Fragment, useState, type FormEvent, type ReactNode } from "react";
import { answer, api, asTrouble, type Reading, type ReadLine, type Role, type Trouble } from "../../api/client";
import { useGrains } from "../../api/queries";
import { Swatch } from "../../job/Hatch";
import { ROLE_HELP, ROLE_WORDS } from "../../job/words";
import { Button, Wrong } from "../../ui/bits";
import { Pop } from "../../ui/Pop";
import { correct, draft } from "../draft";

interface Place {
  start: number;
  end: number;
  show: (text: string) => ReactNode;
}

const KINDS: Record<string, string> = {
  heat: "at the heat with the grain",
  rest: "the rest",
  soak: "the soak",
  before: "before the liquid joins",
  from_end: "counted from the end",
  from_start: "counted from the start",
  beside: "not the grain’s",
  unknown: "I cannot tell what for",
};

/** The text as written, with what was understood marked in place. A mark is changed by touching it. */
export function MarkedText({ reading }: { reading: Reading }) {
  const places: Place[] = [
    ...reading.lines.map((line) => ({ start: line.span[0] ?? 0, end: line.span[1] ?? 0, show: (text: string) => <LineMark line={line} text={text} reading={reading} /> })),
    ...reading.steps.flatMap((s) =>
      s.durations.map((d) => ({
        start: d.span[0] ?? 0,
        end: d.span[1] ?? 0,
        show: (text: string) => <TimeMark step={s.text} said={d.text} kind={d.kind} text={text} />,
      })),
    ),
    ...reading.headings
      .filter((h) => reading.lines.some((l) => l.section === h.text))
      .map((h) => ({ start: h.span[0] ?? 0, end: h.span[1] ?? 0, show: (text: string) => <PartMark heading={h.text} text={text} /> })),
  ].sort((a, b) => a.start - b.start || b.end - a.end);
  const title = reading.text.indexOf(reading.title);
  const out: ReactNode[] = [];
  let at = 0;
  const plain = (to: number) => {
    if (to <= at) return;
    const text = reading.text.slice(at, to);
    if (title >= at && title + reading.title.length <= to && reading.title) {
      const k = title - at;
      out.push(<Fragment key={`p${at}`}>{text.slice(0, k)}<strong className="font-show text-[23px] tracking-[-0.015em]">{reading.title}</strong>{text.slice(k + reading.title.length)}</Fragment>);
    } else out.push(<Fragment key={`p${at}`}>{text}</Fragment>);
    at = to;
  };
  for (const p of places) {
    if (p.start < at) continue;
    plain(p.start);
    out.push(<Fragment key={`m${p.start}`}>{p.show(reading.text.slice(p.start, p.end))}</Fragment>);
    at = p.end;
  }
  plain(reading.text.length);
  return <div className="whitespace-pre-wrap text-[17px] leading-[1.75]">{out}</div>;
}

const timeLook = (kind: string) => (kind === "heat" ? "border-b-[3px] border-ink font-bold" : kind === "unknown" ? "border-b-2 border-dashed border-warn" : "border-b-2 border-line");

/** Minutes in a step, and what they are for; touched, they can be said to be for something else. */
function TimeMark({ step, said, kind, text }: { step: string; said: string; kind: string; text: string }) {
  const [now, set] = draft.use();
  return (
    <Pop
      label={`What are the ${said} for?`}
      trigger={
        <button type="button" title={KINDS[kind]} className={`inline rounded px-0.5 text-ink hover:outline hover:outline-2 hover:outline-water ${timeLook(kind)}`}>
          {text}
          <span className="sr-only"> ({KINDS[kind]})</span>
        </button>
      }
    >
      <h3 className="mb-2 text-[18px]">What are the {said} for?</h3>
      <div role="radiogroup" aria-label="What the minutes are for" className="grid gap-1.5">
        {Object.entries(KINDS).map(([k, word]) => (
          <button key={k} type="button" role="radio" aria-checked={k === kind} onClick={() => set(correct(now, { line: step, minutes: said, kind: k }))} className={`min-h-11 rounded-key border px-3 text-left text-[15px] ${k === kind ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}>
            {word}
          </button>
        ))}
      </div>
    </Pop>
  );
}

const PARTS: [Role, string][] = [["pot_liquid", "goes into the grain’s pot"], ["after", "joins the cooked grain"], ["beside", "is a dish of its own"]];

/** A part of the recipe under its heading: split off as a dish of its own, or joined to the grain's pot. */
function PartMark({ heading, text }: { heading: string; text: string }) {
  const [now, set] = draft.use();
  const said = now.corrections.find((c) => c.line === heading)?.role;
  return (
    <Pop
      label={`What is “${heading}”?`}
      trigger={
        <button type="button" className="inline rounded px-0.5 font-semibold text-ink underline decoration-line decoration-dotted underline-offset-4 hover:outline hover:outline-2 hover:outline-water">
          {text}
        </button>
      }
    >
      <h3 className="mb-2 text-[18px]">{heading}: this part…</h3>
      <div role="radiogroup" aria-label="What this part is" className="grid gap-1.5">
        {PARTS.map(([role, word]) => (
          <button key={role} type="button" role="radio" aria-checked={said === role} onClick={() => set(correct(now, { line: heading, role }))} className={`min-h-11 rounded-key border px-3 text-left text-[15px] ${said === role ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}>
            {word}
          </button>
        ))}
      </div>
    </Pop>
  );
}

function look(line: ReadLine): string {
  switch (line.role) {
    case "source_grain":
      return "font-bold";
    case "pot_liquid":
      return "bg-water-pale";
    case "absorber":
    case "watery":
      return "outline outline-[1.5px] -outline-offset-1 outline-dashed outline-water";
    case "timed":
    case "after":
      return "border-b-2 border-dotted border-ink";
    default:
      return "border-b border-dotted border-line";
  }
}

function note(line: ReadLine): string {
  const word = ROLE_WORDS[line.role] ?? line.role;
  return line.role === "pot_liquid" && line.water_ml > 0 ? `${word}: ${line.water_ml} ml` : word;
}

const ROLES = Object.keys(ROLE_WORDS) as Role[];

function LineMark({ line, text, reading }: { line: ReadLine; text: string; reading: Reading }) {
  const wrong = reading.problems.filter((p) => p.where === line.text && p.severity !== "note");
  const isGrain = line.role === "source_grain";
  return (
    <>
      <Pop
        label={`What is “${line.text}”?`}
        trigger={
          <button type="button" className={`inline rounded-[5px] px-1 py-0.5 text-left text-ink hover:outline hover:outline-2 hover:outline-water ${look(line)} ${wrong.length ? "border-b-[3px] border-warn" : ""}`}>
            {isGrain && line.grain && <Swatch slug={line.grain} family="rice" className="mr-1.5 inline-block h-[15px] w-[26px] align-[-2px]" />}
            {text}
          </button>
        }
      >
        <LineChoice line={line} />
      </Pop>
      {line.role !== "beside" && (
        <span className="ml-2 select-none text-[13.5px] text-soft">
          {note(line)}
          {line.corrected && ", you said"}
        </span>
      )}
      {wrong.map((p) => (
        <span key={p.code} role="alert" className="mt-1 block border-l-4 border-warn bg-warn-pale px-3 py-1.5 text-[15px] leading-snug whitespace-normal">
          {p.text}
        </span>
      ))}
    </>
  );
}

function LineChoice({ line }: { line: ReadLine }) {
  const [now, set] = draft.use();
  const grains = useGrains();
  const kept = now.corrections.find((c) => c.line === line.text);
  return (
    <div>
      <h3 className="mb-1 text-[18px]">{line.name || line.text}</h3>
      <p className="mb-3 text-[14px] text-soft">What is it in this pot? Your word counts, also when the text is read again.</p>
      <div role="radiogroup" aria-label="Its part in the pot" className="grid grid-cols-2 gap-1.5">
        {ROLES.map((role) => (
          <button
            key={role}
            type="button"
            role="radio"
            aria-checked={line.role === role}
            title={ROLE_HELP[role]}
            onClick={() => set(correct(now, { ...kept, line: line.text, role }))}
            className={`min-h-11 rounded-key border px-3 text-left text-[15px] ${line.role === role ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}
          >
            {ROLE_WORDS[role]}
          </button>
        ))}
      </div>
      <AmountField line={line} say={(amount) => set(correct(now, { ...kept, line: line.text, role: kept?.role ?? line.role, amount }))} />
      {line.role === "source_grain" && (
        <label className="mt-3 block text-[15px]">
          <span className="mb-1 block font-semibold">Which grain is it?</span>
          <select
            value={line.grain ?? ""}
            onChange={(e) => set(correct(now, { ...kept, line: line.text, role: "source_grain", grain: e.target.value }))}
            className="min-h-11 w-full rounded-key border border-line bg-sheet px-2 text-[16px]"
          >
            {line.grain === null && <option value="">choose…</option>}
            {grains.data?.map((g) => (
              <option key={g.slug} value={g.slug}>
                {g.name}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}

/** The amount, where the words did not say it or were read wrongly. */
function AmountField({ line, say }: { line: ReadLine; say: (amount: string) => void }) {
  const known = line.ml !== null && line.kind !== "grain" ? `${Math.round(line.ml)} ml` : line.g !== null ? `${Math.round(line.g)} g` : "";
  const [text, setText] = useState(known);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [now] = draft.use();
  const send = async (e: FormEvent) => {
    e.preventDefault();
    try {
      // asked first, so that a wrong amount is said here and the page stays as it is
      await answer(api.POST("/api/read", { body: { text: now.text, corrections: [...now.corrections.filter((c) => c.line !== line.text), { line: line.text, amount: text }] } }));
      setTrouble(null);
      say(text);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  return (
    <form onSubmit={(e) => void send(e)} className="mt-3">
      <label className="flex items-center gap-2 text-[15px] font-semibold">
        How much?
        <input value={text} onChange={(e) => setText(e.target.value)} placeholder="240 ml, 200 g, 1 cup" className="figures min-h-11 min-w-0 flex-1 rounded-key border border-line bg-quiet px-3 text-[16px] font-normal" />
        <Button type="submit">So much</Button>
      </label>
      <Wrong trouble={trouble} className="mt-2" />
    </form>
  );
}
