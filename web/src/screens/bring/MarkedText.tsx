import { Fragment, type ReactNode } from "react";
import type { Reading, ReadLine, Role } from "../../api/client";
import { useGrains } from "../../api/queries";
import { Swatch } from "../../job/Hatch";
import { ROLE_HELP, ROLE_WORDS } from "../../job/words";
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
        show: (text: string) => (
          <span title={KINDS[d.kind]} className={`rounded px-0.5 ${d.kind === "heat" ? "border-b-[3px] border-ink font-bold" : d.kind === "unknown" ? "border-b-2 border-dashed border-warn" : "border-b-2 border-line"}`}>
            {text}
            <span className="sr-only"> ({KINDS[d.kind]})</span>
          </span>
        ),
      })),
    ),
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
            onClick={() => set(correct(now, { line: line.text, role, grain: kept?.grain ?? null }))}
            className={`min-h-11 rounded-key border px-3 text-left text-[15px] ${line.role === role ? "border-2 border-ink font-bold" : "border-line hover:border-water"}`}
          >
            {ROLE_WORDS[role]}
          </button>
        ))}
      </div>
      {line.role === "source_grain" && (
        <label className="mt-3 block text-[15px]">
          <span className="mb-1 block font-semibold">Which grain is it?</span>
          <select
            value={line.grain ?? ""}
            onChange={(e) => set(correct(now, { line: line.text, role: "source_grain", grain: e.target.value }))}
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
