import { Fragment, useState, type FormEvent, type ReactNode } from "react";
import {
  answer,
  api,
  asTrouble,
  type ReadClass,
  type Reading,
  type ReadLine,
  type Role,
  type Trouble,
} from "../../api/client";
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

// what minutes are for, and with that whose they are
const KINDS: Record<string, string> = {
  heat: "at the heat with the grain",
  come_up: "until it boils",
  rest: "the rest",
  release: "until the pressure is down",
  soak: "the soak",
  toast: "the grain in the pan, before its liquid",
  pan: "the pan, before the grain",
  from_end: "counted from the end",
  from_start: "counted from the start",
  whistles: "whistles",
  other: "another pot’s, or nobody’s",
};

const CLASSES: Record<string, string> = {
  title: "title",
  servings: "how many",
  meta: "about it",
  heading: "heading",
  section: "part",
  ingredient: "goes in",
  ingredients: "go in",
  step: "step",
  note: "note",
  chatter: "talk",
};

/** The text as written, with what was understood marked in place. A mark is changed by touching it. */
export function MarkedText({ reading }: { reading: Reading }) {
  const places: Place[] = [
    ...reading.lines.map((line) => ({
      start: line.span[0] ?? 0,
      end: line.span[1] ?? 0,
      show: (text: string) => <LineMark line={line} text={text} reading={reading} />,
    })),
    ...reading.steps.flatMap((s) =>
      s.durations.map((d) => ({
        start: d.span[0] ?? 0,
        end: d.span[1] ?? 0,
        show: (text: string) => (
          <TimeMark
            step={s.text}
            said={d.text}
            kind={d.kind}
            text={text}
            asked={reading.doubts.some(
              (x) => x.where === s.text && x.choices.some((c) => c.correction.minutes === d.text),
            )}
          />
        ),
      })),
    ),
    ...reading.headings
      .filter((h) => reading.lines.some((l) => l.section === h.text))
      .map((h) => ({
        start: h.span[0] ?? 0,
        end: h.span[1] ?? 0,
        show: (text: string) => <PartMark heading={h.text} text={text} />,
      })),
  ].sort((a, b) => a.start - b.start || b.end - a.end);
  const rows = rowsOf(reading, places);
  return (
    <div className="text-body leading-[1.75]">
      {rows.map(({ row, node }) => (
        <div
          key={row.span[0]}
          className="grid grid-cols-[60px_minmax(0,1fr)] gap-x-2 min-[62.5rem]:grid-cols-[96px_minmax(0,1fr)] min-[62.5rem]:gap-x-3"
        >
          <ClassMark row={row} pots={potsOf(row, reading)} />
          <div className="min-w-0 whitespace-pre-wrap break-words">{node}</div>
        </div>
      ))}
    </div>
  );
}

/** The text cut into its lines, each with its marks in place; no letter is lost between them. */
function rowsOf(reading: Reading, places: Place[]): { row: ReadClass; node: ReactNode[] }[] {
  // places count letters; an emoji is one letter and two of JavaScript's units
  const letters = Array.from(reading.text);
  const slice = (a: number, b: number) => letters.slice(a, b).join("");
  const found = reading.title ? reading.text.indexOf(reading.title) : -1;
  const title = found < 0 ? -1 : Array.from(reading.text.slice(0, found)).length;
  const long = Array.from(reading.title).length;
  let at = 0;
  /** The text from where the last piece ended up to `to`, with its marks in place. */
  const pieces = (to: number): ReactNode[] => {
    const out: ReactNode[] = [];
    const plain = (until: number) => {
      if (until <= at) return;
      const text = slice(at, until);
      const k = title - at;
      if (title >= at && title + long <= until)
        out.push(
          <Fragment key={`p${at}`}>
            {slice(at, at + k)}
            <strong className="font-show text-head tracking-[-0.015em]">{reading.title}</strong>
            {slice(title + long, until)}
          </Fragment>,
        );
      else out.push(<Fragment key={`p${at}`}>{text}</Fragment>);
      at = until;
    };
    for (const p of places) {
      if (p.start < at || p.start >= to) continue;
      plain(p.start);
      out.push(<Fragment key={`m${p.start}`}>{p.show(slice(p.start, p.end))}</Fragment>);
      at = p.end;
    }
    plain(to);
    return out;
  };
  return reading.classes.map((row, i) => {
    const next = reading.classes[i + 1]?.span[0] ?? letters.length;
    // the blank lines and bullets before the next line go with this one
    const edge = letters.lastIndexOf("\n", next - 1) + 1;
    return {
      row,
      node: pieces(Math.max(at, i + 1 < reading.classes.length ? Math.max(edge, row.span[1] ?? 0) : letters.length)),
    };
  });
}

/** Which pots a step's line is about: the grain's own first. */
function potsOf(row: ReadClass, reading: Reading): { kind: string; grain: boolean }[] {
  if (row.cls !== "step") return [];
  const [start, end] = [row.span[0] ?? 0, row.span[1] ?? 0];
  const ids = new Set(
    reading.process.operations
      .filter((o) => o.span && (o.span[0] ?? 0) >= start && (o.span[0] ?? 0) < end)
      .map((o) => o.vessel),
  );
  // without a grain no pot is its own
  const vessels = reading.source_grain
    ? reading.process.vessels
    : reading.process.vessels.map((v) => ({ ...v, grain: false }));
  return vessels
    .filter((v) => ids.has(v.id))
    .sort((a, b) => Number(b.grain) - Number(a.grain))
    .slice(0, 2);
}

/** What a line is, small beside it; touched, it can be said to be something else. */
function ClassMark({ row, pots }: { row: ReadClass; pots: { kind: string; grain: boolean }[] }) {
  const [now, set] = draft.use();
  const unsure = row.sure < 0.6;
  return (
    <div className="select-none pt-[3px] text-right leading-tight">
      <Pop
        label={`What is the line “${row.text}”?`}
        trigger={
          <button
            type="button"
            className={`reach min-h-6 text-right text-fine hover:text-water ${unsure ? "border-b-2 border-dashed border-warn text-ink" : "text-soft"}`}
          >
            {CLASSES[row.cls] ?? row.cls}
            <span className="sr-only">: {row.text}</span>
          </button>
        }
      >
        <h3 className="mb-2 text-lead">This line is…</h3>
        <div role="radiogroup" aria-label="What the line is" className="grid grid-cols-2 gap-1.5">
          {Object.entries(CLASSES).map(([cls, word]) => (
            <button
              key={cls}
              type="button"
              role="radio"
              aria-checked={cls === row.cls}
              onClick={() => set(correct(now, { line: row.text, cls }))}
              className={`min-h-11 rounded-key border px-3 text-left text-small ${cls === row.cls ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}
            >
              {word}
            </button>
          ))}
        </div>
      </Pop>
      {pots.map((p, i) => (
        <span key={i} className={`block text-fine ${p.grain ? "font-semibold text-ink" : "text-soft"}`}>
          {p.grain ? "grain’s pot" : p.kind}
        </span>
      ))}
    </div>
  );
}

const timeLook = (kind: string, asked: boolean) =>
  asked
    ? "border-b-[3px] border-dashed border-warn"
    : kind === "heat"
      ? "border-b-[3px] border-ink font-bold"
      : "border-b-2 border-line";

/** Minutes in a step, and what they are for; touched, they can be said to be for something else. */
function TimeMark({
  step,
  said,
  kind,
  text,
  asked,
}: {
  step: string;
  said: string;
  kind: string;
  text: string;
  asked: boolean;
}) {
  const [now, set] = draft.use();
  return (
    <Pop
      label={`What are the ${said} for?`}
      trigger={
        <button
          type="button"
          title={KINDS[kind]}
          className={`reach inline-block rounded px-0.5 text-ink hover:outline hover:outline-2 hover:outline-water ${timeLook(kind, asked)}`}
        >
          {text}
          <span className="sr-only"> ({KINDS[kind]})</span>
        </button>
      }
    >
      <h3 className="mb-2 text-lead">What are the {said} for?</h3>
      <div role="radiogroup" aria-label="What the minutes are for" className="grid gap-1.5">
        {Object.entries(KINDS).map(([k, word]) => (
          <button
            key={k}
            type="button"
            role="radio"
            aria-checked={k === kind}
            onClick={() => set(correct(now, { line: step, minutes: said, kind: k }))}
            className={`min-h-11 rounded-key border px-3 text-left text-small ${k === kind ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}
          >
            {word}
          </button>
        ))}
      </div>
    </Pop>
  );
}

const PARTS: [Role, string][] = [
  ["pot_liquid", "goes into the grain’s pot"],
  ["after", "joins the cooked grain"],
  ["beside", "is a dish of its own"],
];

/** A part of the recipe under its heading: split off as a dish of its own, or joined to the grain's pot. */
function PartMark({ heading, text }: { heading: string; text: string }) {
  const [now, set] = draft.use();
  const said = now.corrections.find((c) => c.line === heading)?.role;
  return (
    <Pop
      label={`What is “${heading}”?`}
      trigger={
        <button
          type="button"
          className="reach inline-block rounded px-0.5 font-semibold text-ink underline decoration-line decoration-dotted underline-offset-4 hover:outline hover:outline-2 hover:outline-water"
        >
          {text}
        </button>
      }
    >
      <h3 className="mb-2 text-lead">{heading}: this part…</h3>
      <div role="radiogroup" aria-label="What this part is" className="grid gap-1.5">
        {PARTS.map(([role, word]) => (
          <button
            key={role}
            type="button"
            role="radio"
            aria-checked={said === role}
            onClick={() => set(correct(now, { line: heading, role }))}
            className={`min-h-11 rounded-key border px-3 text-left text-small ${said === role ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}
          >
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
          <button
            type="button"
            className={`reach inline-block max-w-full rounded-[5px] px-1 py-0.5 text-left text-ink hover:outline hover:outline-2 hover:outline-water ${look(line)} ${wrong.length ? "border-b-[3px] border-warn" : ""}`}
          >
            {isGrain && line.grain && (
              <Swatch slug={line.grain} family="rice" className="mr-1.5 inline-block h-[15px] w-[26px] align-[-2px]" />
            )}
            {text}
          </button>
        }
      >
        <LineChoice line={line} />
      </Pop>
      {line.role !== "beside" && (
        <span className="ml-2 select-none text-fine text-soft">
          {note(line)}
          {line.corrected && ", you said"}
        </span>
      )}
      {wrong.map((p) => (
        <span
          key={p.code}
          role="alert"
          className="mt-1 block border-l-4 border-warn bg-warn-pale px-3 py-1.5 text-small leading-snug whitespace-normal"
        >
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
      <h3 className="mb-1 text-lead">{line.name || line.text}</h3>
      <p className="mb-3 text-small text-soft">
        What is it in this pot? Your word counts, also when the text is read again.
      </p>
      <div role="radiogroup" aria-label="Its part in the pot" className="grid grid-cols-2 gap-1.5">
        {ROLES.map((role) => (
          <button
            key={role}
            type="button"
            role="radio"
            aria-checked={line.role === role}
            title={ROLE_HELP[role]}
            onClick={() => set(correct(now, { ...kept, line: line.text, role }))}
            className={`min-h-11 rounded-key border px-3 text-left text-small ${line.role === role ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}
          >
            {ROLE_WORDS[role]}
          </button>
        ))}
      </div>
      <AmountField
        line={line}
        say={(amount) => set(correct(now, { ...kept, line: line.text, role: kept?.role ?? line.role, amount }))}
      />
      {line.role === "source_grain" && (
        <label className="mt-3 block text-small">
          <span className="mb-1 block font-semibold">Which grain is it?</span>
          <select
            value={line.grain ?? ""}
            onChange={(e) =>
              set(correct(now, { ...kept, line: line.text, role: "source_grain", grain: e.target.value }))
            }
            className="min-h-11 w-full rounded-key border border-line bg-sheet px-2 text-body"
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
  const known =
    line.ml !== null && line.kind !== "grain"
      ? `${Math.round(line.ml)} ml`
      : line.g !== null
        ? `${Math.round(line.g)} g`
        : "";
  const [text, setText] = useState(known);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [now] = draft.use();
  const send = async (e: FormEvent) => {
    e.preventDefault();
    try {
      // asked first, so that a wrong amount is said here and the page stays as it is
      await answer(
        api.POST("/api/read", {
          body: {
            text: now.text,
            corrections: [...now.corrections.filter((c) => c.line !== line.text), { line: line.text, amount: text }],
          },
        }),
      );
      setTrouble(null);
      say(text);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  return (
    <form onSubmit={(e) => void send(e)} className="mt-3">
      <label className="flex items-center gap-2 text-small font-semibold">
        How much?
        <input
          value={text}
          onChange={(e) => setText(e.target.value)}
          placeholder="240 ml, 200 g, 1 cup"
          className="figures min-h-11 min-w-0 flex-1 rounded-key border border-line bg-quiet px-3 text-body font-normal"
        />
        <Button type="submit">So much</Button>
      </label>
      <Wrong trouble={trouble} className="mt-2" />
    </form>
  );
}
