import { useState } from "react";
import { Link, useNavigate } from "../../ui/route";
import { asTrouble, type CompareRow } from "../../api/client";
import { useCompare } from "../../api/queries";
import { Swatch } from "../../job/Hatch";
import { minutes, pourSaid } from "../../job/words";
import { Button, keyLook, Sheet, Wrong } from "../../ui/bits";
import { useWide } from "../../ui/useWide";
import { choice as choiceStore, draft } from "../draft";
import { Picture } from "./Picture";
import { WAY_SAID } from "../../job/ways";

// the plate holds the nearest; the list beside it holds all
const MOST = 30;
const HOURS: [number | null, string][] = [
  [null, "any time"],
  [0.75, "in ¾ h"],
  [1, "in 1 h"],
  [2, "in 2 h"],
  [10, "tomorrow"],
];
const RING_WORDS = ["Hardly another dish", "Another bite", "A new dish"];

/** Which grain tonight: how much another dish each makes, how long it takes, and what one will notice of it. */
export function Every() {
  const [now] = draft.use();
  const [choice, setChoice] = choiceStore.use();
  const [hours, setHours] = useState<number | null>(null);
  const [free, setFree] = useState(false);
  const [mine, setMine] = useState(false);
  const [picked, setPicked] = useState<string | null>(null);
  const wide = useWide();
  const go = useNavigate();
  const found = useCompare(now.text, now.corrections, { pot_cm: choice.pot_cm, by_hours: hours, gluten_free: free });
  const trouble = asTrouble(found.error);

  if (now.text.trim() === "")
    return (
      <div className="pt-16 text-center">
        <h1 className="text-title">No dish yet</h1>
        <p className="mb-5 mt-2 text-soft">Bring a recipe first; then see what every grain would make of it.</p>
        <Link to="/bring" className={keyLook("main")}>
          Bring a recipe
        </Link>
      </div>
    );

  const all = (found.data?.grains ?? []).filter((g) => !g.kin && (!mine || g.in_larder));
  const suited = all.filter((g) => g.suited && g.in_time);
  const late = all.filter((g) => g.suited && !g.in_time);
  const not = all.filter((g) => !g.suited);
  const shown = all.find((g) => g.grain === picked) ?? suited[0] ?? late[0];
  const was = found.data?.was?.name ?? "the rice";
  const take = (row: { grain: string; method: string; soak_min: number }) => {
    setChoice({
      ...choice,
      to: row.grain,
      blend: [],
      method: row.method,
      lid: null,
      soak_min: row.soak_min,
      texture: null,
      roast: null,
    });
    go("/bench");
  };
  return (
    <div className="pt-5">
      <div className="flex flex-wrap items-end gap-x-6 gap-y-3">
        <div className="mr-auto">
          <h1 className="text-title">Which grain tonight?</h1>
          <p className="text-body text-soft">
            {found.data ? `${found.data.title}. In the middle: as it was, with ${was}.` : "…"}
          </p>
        </div>
        <div role="group" aria-label="By when" className="flex flex-wrap gap-1">
          {HOURS.map(([h, word]) => (
            <Chip key={word} on={hours === h} press={() => setHours(h)}>
              {word}
            </Chip>
          ))}
        </div>
        <div className="flex flex-wrap gap-1">
          <Chip on={mine} press={() => setMine(!mine)}>
            in the larder
          </Chip>
          <Chip on={free} press={() => setFree(!free)}>
            without gluten
          </Chip>
        </div>
      </div>
      {trouble && (
        <>
          <Wrong trouble={trouble} className="mt-3" />
          <Link to="/bring" className="font-semibold text-water">
            Back to the recipe
          </Link>
        </>
      )}
      {found.data && all.length === 0 && (
        <p className="mt-8 text-body">
          Nothing in the larder is left to choose from.{" "}
          <Link to="/larder" className="font-semibold text-water">
            Put a bag in it
          </Link>
          , or look at all grains.
        </p>
      )}
      {all.length > 0 && found.data && (
        <div className="mt-4 grid items-start gap-6 min-[62.5rem]:grid-cols-[minmax(0,1fr)_400px]">
          {wide && (
            <Picture
              was={found.data.was}
              nearest={[...suited, ...late].slice(0, MOST)}
              picked={shown?.grain ?? null}
              pick={setPicked}
            />
          )}
          {shown && <Card row={shown} was={was} take={take} pick={setPicked} />}
          <Ranked suited={suited} late={late} picked={shown?.grain ?? null} pick={setPicked} />
          {not.length > 0 && (
            <section className="min-[62.5rem]:col-span-2" aria-label="Not suited">
              <h2 className="mb-1 text-lead">Not for this one</h2>
              <ul className="m-0 list-none space-y-1 p-0 text-body text-soft min-[62.5rem]:columns-2 min-[62.5rem]:gap-8">
                {not.map((g) => (
                  <li key={g.grain}>{g.reason}</li>
                ))}
              </ul>
            </section>
          )}
        </div>
      )}
    </div>
  );
}

function Chip({ on, press, children }: { on: boolean; press: () => void; children: string }) {
  return (
    <button
      type="button"
      aria-pressed={on}
      onClick={press}
      className={`min-h-11 rounded-key border bg-sheet px-3 text-small ${on ? "border-ink font-bold outline outline-1 outline-ink" : "border-line"}`}
    >
      {children}
    </button>
  );
}

/** All of them in words, ring by ring: what the picture says, for phones and for who hears the page. */
function Ranked({
  suited,
  late,
  picked,
  pick,
}: {
  suited: CompareRow[];
  late: CompareRow[];
  picked: string | null;
  pick: (slug: string) => void;
}) {
  const groups = [
    ...RING_WORDS.map((word, ring) => ({ word, rows: suited.filter((g) => g.ring === ring) })),
    { word: "Not in time", rows: late },
  ];
  return (
    <section aria-label="Ranked" className="min-[62.5rem]:col-span-2">
      {groups
        .filter((g) => g.rows.length > 0)
        .map((g) => (
          <div key={g.word} className="mb-4">
            <h2 className="mb-0.5 text-lead">{g.word}</h2>
            <ol className="m-0 list-none p-0 min-[62.5rem]:columns-2 min-[62.5rem]:gap-8">
              {g.rows.map((row) => (
                <li key={row.grain} className="dotted break-inside-avoid">
                  <button
                    type="button"
                    aria-pressed={picked === row.grain}
                    onClick={() => pick(row.grain)}
                    className={`flex min-h-12 w-full items-center gap-3 py-1.5 text-left hover:text-water ${picked === row.grain ? "font-bold" : ""}`}
                  >
                    <Swatch slug={row.grain} family={row.family} className="h-6 w-8 shrink-0" />
                    <span className="min-w-0 flex-1">
                      <span className="block text-body">{row.name}</span>
                      <span className="block text-small font-normal text-soft">
                        {[
                          ...row.notice,
                          ...(row.gluten ? ["with gluten"] : []),
                          ...(row.in_larder ? ["in the larder"] : []),
                        ].join(", ")}
                      </span>
                    </span>
                    <span className="figures shrink-0 text-body text-soft">{minutes(row.total_min)}</span>
                  </button>
                </li>
              ))}
            </ol>
          </div>
        ))}
    </section>
  );
}

function Card({
  row,
  was,
  take,
  pick,
}: {
  row: CompareRow;
  was: string;
  take: (way: CompareRow["ways"][number]) => void;
  pick: (slug: string) => void;
}) {
  const pour = pourSaid(row.pour_ml, row.pour_said);
  return (
    <Sheet className="p-6 max-[62.4375rem]:order-first" aria-label={row.name}>
      <Swatch slug={row.grain} family={row.family} className="mb-3 h-6 w-full" />
      <h2 className="text-title">{row.name}</h2>
      <p className="mt-1 text-body leading-snug">{noticed(row, was)}</p>
      <p className="mt-4 flex flex-wrap items-baseline gap-x-5">
        <span>
          <span className="poster text-poster">{pour.number}</span> <span className="font-semibold">{pour.unit}</span>
        </span>
        <span>
          <span className="poster text-poster">{row.cook_min}</span>{" "}
          <span className="font-semibold">min{row.rest_min ? `, rest ${row.rest_min}` : ""}</span>
        </span>
      </p>
      <p className="mb-4 font-semibold text-water">
        {minutes(row.total_min)} to the plate{row.soak_min ? `, ${minutes(row.soak_min)} of them in the soak` : ""}
        {row.in_time ? "" : ": too late"}
      </p>
      <Button kind="main" className="min-h-12 w-full" onClick={() => take(row)}>
        To the bench with it
      </Button>
      {row.rather.length > 0 && (
        <>
          <h3 className="mb-0.5 mt-5 text-body font-normal text-soft">or rather</h3>
          <ul className="m-0 list-none p-0">
            {row.rather.map((r) => (
              <li key={r.grain} className="dotted">
                <button
                  type="button"
                  onClick={() => pick(r.grain)}
                  className="min-h-12 w-full py-1.5 text-left text-body leading-snug hover:text-water"
                >
                  <strong>{r.name}</strong>, {r.text}
                </button>
              </li>
            ))}
          </ul>
        </>
      )}
      {row.ways.length > 1 && (
        <>
          <h3 className="mb-0.5 mt-5 text-body font-normal text-soft">its other ways</h3>
          <ul className="m-0 list-none p-0">
            {row.ways.slice(1).map((w) => (
              <li key={`${w.method}${w.soak_min}`} className="dotted">
                <button
                  type="button"
                  onClick={() => take(w)}
                  className="flex min-h-12 w-full items-center justify-between gap-3 text-left text-body hover:text-water"
                >
                  <span>
                    {WAY_SAID[w.method] ?? w.method}, {w.soak_min ? `soaked ${minutes(w.soak_min)}` : "no soak"}
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

/** What the core names, as a sentence. */
function noticed(row: CompareRow, was: string): string {
  const [last, ...rest] = [...row.notice].reverse();
  const told =
    last === undefined
      ? "hardly to be told from it"
      : rest.length > 0
        ? `${rest.reverse().join(", ")} and ${last}`
        : last;
  const begun =
    last === undefined ? `Hardly to be told from ${was}` : `${told[0]?.toUpperCase()}${told.slice(1)}, beside ${was}`;
  return `${begun}; it comes out ${row.texture_word}${row.gap > 0 ? ", the nearest it gets" : ", as the dish wants"}.${row.gluten ? " With gluten." : ""}${row.in_larder ? " It is in the larder." : ""}`;
}
