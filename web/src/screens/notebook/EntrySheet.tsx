import { Camera, Star, Trash2 } from "lucide-react";
import { useState } from "react";
import { answer, api, asTrouble, type Entry, type Trouble } from "../../api/client";
import { useChange } from "../../api/subjects";
import { Bottom } from "../../ui/Bottom";
import { Button, Wrong } from "../../ui/bits";
import { Outcome } from "./Outcome";
import { dayOf } from "./outcome";
import { typedNumber } from "../../job/typed";
import { shown, typed, unitOf, type Rim } from "../../job/rim";
import { throwAway } from "../../ui/gone";

/** One entry, to be said more about: how it came out, a word, stars if wanted, a photo, what was really poured. */
export function EntrySheet({ entry, now, onClose }: { entry: Entry; now: Date; onClose: () => void }) {
  const path = { entry_id: entry.id };
  const change = useChange(
    "notebook",
    (body: Partial<Pick<Entry, "poured_ml" | "taken_min" | "word" | "note" | "stars" | "counts">>) =>
      answer(api.PUT("/api/notebook/{entry_id}", { params: { path }, body })),
  );
  const drop = useChange("notebook", () =>
    answer(api.DELETE("/api/notebook/{entry_id}", { params: { path }, keepalive: true })),
  );
  const [counts, setCounts] = useState(entry.counts);
  return (
    <Bottom open onOpen={(o) => !o && onClose()} title={`${entry.dish}, ${dayOf(entry.on, now)}`}>
      <Outcome entry={entry} />
      <div className="mt-4 grid grid-cols-2 gap-3">
        <Amount
          label={`Poured in all, ${unitOf("water")}`}
          rim="water"
          told={entry.pour_said}
          value={entry.poured_ml}
          keep={(poured_ml) => change.mutate({ poured_ml })}
        />
        <Amount
          label="Minutes at the boil"
          told={String(entry.cook_min)}
          value={entry.taken_min}
          keep={(taken_min) => change.mutate({ taken_min })}
        />
      </div>
      <Words label="A word" value={entry.word} rows={1} keep={(word) => change.mutate({ word })} />
      <Words label="Note for next time" value={entry.note} rows={2} keep={(note) => change.mutate({ note })} />
      <Wrong trouble={asTrouble(change.error)} className="mt-2" />
      <div className="mt-3 flex flex-wrap items-center gap-x-4 gap-y-2">
        <span role="group" aria-label="Stars" className="flex">
          {[1, 2, 3, 4, 5].map((n) => (
            <button
              key={n}
              type="button"
              aria-label={`${n} of 5 stars`}
              aria-pressed={entry.stars === n}
              onClick={() => change.mutate({ stars: entry.stars === n ? null : n })}
              className="grid h-11 w-10 place-items-center text-ink"
            >
              <Star size={22} fill={entry.stars !== null && n <= entry.stars ? "currentColor" : "none"} />
            </button>
          ))}
        </span>
        <label className="flex min-h-11 items-center gap-2 text-body">
          <input
            type="checkbox"
            checked={counts}
            onChange={(e) => {
              setCounts(e.target.checked);
              change.mutate({ counts: e.target.checked });
            }}
            className="h-6 w-6 accent-[var(--water)]"
          />
          Learn from this pot
        </label>
      </div>
      <Photo entry={entry} />
      <p className="mt-4 text-right">
        <Button
          kind="quiet"
          onClick={() => {
            throwAway(`entry/${entry.id}`, `${entry.dish}: its page is torn out.`, () => drop.mutateAsync(undefined));
            onClose();
          }}
        >
          <Trash2 size={16} aria-hidden /> Tear this page out
        </Button>
      </p>
    </Bottom>
  );
}

function Amount({
  label,
  told,
  value,
  keep,
  rim,
}: {
  label: string;
  told: string;
  value: number | null;
  keep: (v: number | null) => void;
  rim?: Rim;
}) {
  const [text, setText] = useState(value === null ? "" : rim ? shown(rim, value) : String(value));
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const done = () => {
    const n = text.trim() === "" ? null : rim ? typed(rim, text, value) : typedNumber(text);
    if (n !== null && !Number.isFinite(n))
      return setTrouble({
        code: "number",
        where: "",
        text: `“${text}” is no number; write digits, or leave it empty.`,
      });
    setTrouble(null);
    if (n !== value) keep(n);
  };
  return (
    <label className="block text-small font-semibold">
      {label} <span className="font-normal text-soft">of {told}</span>
      <input
        value={text}
        inputMode="decimal"
        aria-invalid={trouble !== null}
        onChange={(e) => setText(e.target.value)}
        onBlur={done}
        onKeyDown={(e) => e.key === "Enter" && done()}
        className="figures mt-1 min-h-12 w-full rounded-key border border-line bg-quiet px-3 text-lead font-bold aria-[invalid=true]:border-warn"
      />
      <Wrong trouble={trouble} className="mt-1 font-normal" />
    </label>
  );
}

function Words({
  label,
  value,
  rows,
  keep,
}: {
  label: string;
  value: string;
  rows: number;
  keep: (v: string) => void;
}) {
  const [text, setText] = useState(value);
  return (
    <label className="mt-3 block text-small font-semibold">
      {label}
      <textarea
        value={text}
        rows={rows}
        maxLength={rows > 1 ? 2000 : 120}
        onChange={(e) => setText(e.target.value)}
        onBlur={() => text !== value && keep(text)}
        className="mt-1 block min-h-12 w-full rounded-key border border-line bg-quiet px-3 py-2 text-body font-normal"
      />
    </label>
  );
}

function Photo({ entry }: { entry: Entry }) {
  const path = { entry_id: entry.id };
  const send = useChange("notebook", (file: File) =>
    answer(
      api.PUT("/api/notebook/{entry_id}/photo", {
        params: { path },
        body: file as never,
        bodySerializer: (b) => b as never,
        headers: { "Content-Type": "application/octet-stream" },
      }),
    ),
  );
  const drop = useChange("notebook", () => answer(api.DELETE("/api/notebook/{entry_id}/photo", { params: { path } })));
  const [fresh, setFresh] = useState(0);
  return (
    <div className="mt-3">
      {entry.photo && (
        <img
          src={`/api/notebook/${entry.id}/photo?${fresh}`}
          alt={`${entry.dish}, as it came out`}
          className="mb-2 max-h-[320px] w-full rounded-key object-cover"
        />
      )}
      <div className="flex gap-2">
        <label className="inline-flex min-h-11 cursor-pointer items-center gap-2 rounded-key border border-line px-4 text-small focus-within:outline focus-within:outline-2 hover:border-water">
          <Camera size={17} aria-hidden /> {entry.photo ? "Another photo" : "A photo"}
          <input
            type="file"
            accept="image/jpeg,image/png,image/webp"
            className="sr-only"
            onChange={(e) =>
              e.target.files?.[0] && send.mutate(e.target.files[0], { onSuccess: () => setFresh((n) => n + 1) })
            }
          />
        </label>
        {entry.photo && (
          <Button kind="quiet" onClick={() => drop.mutate(undefined)}>
            Take it out
          </Button>
        )}
      </div>
      <Wrong trouble={asTrouble(send.error)} className="mt-2" />
    </div>
  );
}
