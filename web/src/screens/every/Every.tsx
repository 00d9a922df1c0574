import { scaleLog } from "d3-scale";
import { useState } from "react";
import { Link, useNavigate } from "react-router";
import { asTrouble, type CompareRow } from "../../api/client";
import { useCompare } from "../../api/queries";
import { coatOf } from "../../job/grains";
import { Swatch } from "../../job/Hatch";
import { minutes } from "../../job/words";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { useWide } from "../../ui/useWide";
import { choice as choiceStore, draft } from "../draft";
import { rows } from "./swarm";

const W = 860;
const ROW = 23;
// the picture holds the best; the list below it holds all
const MOST = 32;
const HOURS: [number | null, string][] = [[null, "any time"], [0.75, "in ¾ h"], [1, "in 1 h"], [2, "in 2 h"], [10, "tomorrow"]];

/** Every grain for this dish in one picture: time from now to the plate against how near the texture gets. */
export function Every() {
  const [now] = draft.use();
  const [choice, setChoice] = choiceStore.use();
  const [hours, setHours] = useState<number | null>(null);
  const [free, setFree] = useState(false);
  const [picked, setPicked] = useState<string | null>(null);
  const wide = useWide();
  const go = useNavigate();
  const found = useCompare(now.text, now.corrections, { pot_cm: choice.pot_cm, by_hours: hours, gluten_free: free });
  const trouble = asTrouble(found.error);

  if (now.text.trim() === "")
    return (
      <div className="pt-16 text-center">
        <h1 className="text-[26px]">No dish yet</h1>
        <p className="mb-5 mt-2 text-soft">Bring a recipe first; then see what every grain would make of it.</p>
        <Link to="/bring" className={keyLook("main")}>
          Bring a recipe
        </Link>
      </div>
    );

  const all = found.data?.grains ?? [];
  const suited = all.filter((g) => g.suited && g.in_time);
  const not = all.filter((g) => !g.suited || !g.in_time);
  const shown = all.find((g) => g.grain === picked) ?? suited[0];
  const take = (row: { grain: string; method: string; soak_min: number }) => {
    setChoice({ ...choice, to: row.grain, blend: [], method: row.method, lid: null, soak_min: row.soak_min, texture: null, roast: null });
    void go("/bench");
  };
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div className="mr-auto">
          <h1 className="text-[27px]">Every grain for this dish</h1>
          <p className="text-[15px] text-soft">
            {found.data ? `${found.data.title}: ${found.data.texture} wanted; ${found.data.weighed} ways weighed` : "…"}
          </p>
        </div>
        <div role="group" aria-label="By when" className="flex gap-1">
          {HOURS.map(([h, word]) => (
            <button key={word} type="button" aria-pressed={hours === h} onClick={() => setHours(h)} className={`min-h-11 rounded-key border bg-sheet px-2.5 text-[14.5px] ${hours === h ? "border-ink font-bold outline outline-1 outline-ink" : "border-line"}`}>
              {word}
            </button>
          ))}
        </div>
        <button type="button" role="switch" aria-checked={free} onClick={() => setFree(!free)} className={`min-h-11 rounded-key border bg-sheet px-3 text-[14.5px] ${free ? "border-ink font-bold outline outline-1 outline-ink" : "border-line"}`}>
          without gluten
        </button>
      </div>
      {trouble && (
        <>
          <Wrong trouble={trouble} className="mt-3" />
          <Link to="/bring" className="font-semibold text-water">
            Back to the recipe
          </Link>
        </>
      )}
      {all.length > 0 && (
        <div className="mt-4 grid items-start gap-5 min-[1000px]:grid-cols-[minmax(0,1fr)_340px]">
          <div className="min-w-0">
            {wide && (
              <Sheet className="p-4">
                <Picture all={suited} picked={shown?.grain ?? null} pick={setPicked} />
              </Sheet>
            )}
            <ol className="m-0 mt-4 list-none p-0 min-[1000px]:columns-2 min-[1000px]:gap-8" aria-label="Ranked">
              {suited.map((g, i) => (
                <li key={g.grain} className="dotted break-inside-avoid">
                  <button type="button" aria-pressed={shown?.grain === g.grain} onClick={() => setPicked(g.grain)} className={`flex min-h-12 w-full items-center gap-3 py-1.5 text-left hover:text-water ${shown?.grain === g.grain ? "font-bold" : ""}`}>
                    <span className="figures w-6 shrink-0 text-right text-[14px] text-soft">{i + 1}</span>
                    <Swatch slug={g.grain} family={g.family} className="h-5 w-8 shrink-0" />
                    <span className="min-w-0 flex-1 text-[16px]">{g.name}</span>
                    <span className="figures shrink-0 text-[14px] text-soft">
                      {minutes(g.total_min)}
                      {g.gluten && ", gluten"}
                    </span>
                  </button>
                </li>
              ))}
            </ol>
            {not.length > 0 && (
              <section className="mt-6" aria-label="Not suited">
                <h2 className="mb-1 text-[18px]">Not for this one</h2>
                <ul className="m-0 list-none space-y-1 p-0 text-[15px]">
                  {not.map((g) => (
                    <li key={g.grain} className="text-soft">
                      {g.suited ? <strong className="text-ink">{g.name}: </strong> : null}
                      {g.reason}
                    </li>
                  ))}
                </ul>
              </section>
            )}
          </div>
          {shown && <Card row={shown} take={take} />}
        </div>
      )}
    </div>
  );
}

function Card({ row, take }: { row: CompareRow; take: (way: CompareRow["ways"][number]) => void }) {
  return (
    <Sheet className="sticky top-4 p-5 max-[999px]:order-first max-[999px]:static" aria-label={row.name}>
      <Swatch slug={row.grain} family={row.family} className="mb-3 h-6 w-full" />
      <h2 className="text-[24px]">{row.name}</h2>
      <p className="mt-1 text-[15px] leading-snug text-soft">{row.reason}</p>
      <p className="mt-3 flex items-baseline gap-2">
        <span className="poster text-[52px]">{minutes(row.total_min).replace(" min", "")}</span>
        <span className="font-semibold">{row.total_min < 90 ? "minutes from now" : "from now"}</span>
      </p>
      <p className="mb-3 mt-2 text-[15px]">
        one to <strong className="figures">{row.ratio_by_volume}</strong> by volume
      </p>
      <Button kind="main" className="min-h-12 w-full" onClick={() => take(row)}>
        To the bench with it
      </Button>
      {row.ways.length > 1 && (
        <>
          <h3 className="mb-1 mt-4 text-[15px] text-soft">its other ways</h3>
          <ul className="m-0 list-none p-0">
            {row.ways.slice(1).map((w) => (
              <li key={`${w.method}${w.soak_min}`} className="dotted">
                <button type="button" onClick={() => take(w)} className="flex min-h-11 w-full items-center justify-between gap-3 text-left text-[15px] text-ink hover:text-water">
                  <span>
                    {w.method.replace("electric-pressure", "under pressure")}, {w.soak_min ? `soaked ${minutes(w.soak_min)}` : "no soak"}
                  </span>
                  <span className="figures text-soft">{minutes(w.total_min)}</span>
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      <Link to={`/grains/${row.grain}`} className="mt-3 inline-flex min-h-11 items-center font-semibold text-water">
        All about {row.name}
      </Link>
    </Sheet>
  );
}

function Picture({ all, picked, pick }: { all: CompareRow[]; picked: string | null; pick: (slug: string) => void }) {
  const first = all.slice(0, MOST);
  const times = first.map((g) => Math.max(5, g.total_min));
  const most = Math.max(60, ...times);
  const x = scaleLog([Math.min(...times, 15), most], [12, W - 190]).clamp(true);
  const steps = [...new Set(first.map((g) => Math.ceil(g.gap)))].sort((a, b) => a - b);
  const words = ["just the texture", "a step off", "two steps off", "three steps off", "four steps off", "five steps off"];
  const bands = steps.reduce<{ step: number; top: number; members: CompareRow[]; row: number[]; count: number }[]>((list, step) => {
    const members = first.filter((g) => Math.ceil(g.gap) === step);
    const laid = rows(members.map((g) => ({ x: x(g.total_min), width: 26 + g.name.length * 6.7 })));
    const before = list[list.length - 1];
    return [...list, { step, top: before ? before.top + before.count * ROW + 34 : 26, members, ...laid }];
  }, []);
  const last = bands[bands.length - 1];
  const height = (last ? last.top + last.count * ROW : 100) + 40;
  const ticks = [5, 15, 30, 60, 120, 240, 480, 600].filter((t) => t <= most && t >= Math.min(...times));
  return (
    <svg viewBox={`0 0 ${W} ${height}`} className="block w-full" role="group" aria-label="Time from now against texture; the ranked list below says the same">
      {ticks.map((t) => (
        <g key={t}>
          <path d={`M${x(t)} 14V${height - 26}`} stroke="var(--line)" strokeDasharray="1 5" />
          <text x={x(t)} y={height - 9} fontSize="12.5" textAnchor="middle" fill="var(--soft)">
            {minutes(t)}
          </text>
        </g>
      ))}
      {bands.map((b) => (
        <g key={b.step}>
          <path d={`M0 ${b.top - 16}H${W}`} stroke="var(--line)" />
          <text x={W - 4} y={b.top - 2} fontSize="13" textAnchor="end" fill="var(--soft)">
            {words[b.step]}
          </text>
          {b.members.map((g, i) => {
            const on = g.grain === picked;
            const cy = b.top + (b.row[i] ?? 0) * ROW + 6;
            return (
              <g key={g.grain} onClick={() => pick(g.grain)} className="cursor-pointer" aria-hidden="true">
                <rect x={x(g.total_min) - 6} y={cy - 11} width={26 + g.name.length * 6.7} height={ROW - 2} rx="6" fill={on ? "var(--water-pale)" : "transparent"} />
                <circle cx={x(g.total_min) + 4} cy={cy} r="6.5" fill={coatOf(g.grain, g.family).hue} stroke={on ? "var(--ink)" : "var(--soft)"} strokeWidth={on ? 2.5 : 1} />
                <text x={x(g.total_min) + 15} y={cy + 4.5} fontSize="13.5" fill="var(--ink)" fontWeight={on ? 700 : 400}>
                  {g.name}
                </text>
              </g>
            );
          })}
        </g>
      ))}
    </svg>
  );
}
