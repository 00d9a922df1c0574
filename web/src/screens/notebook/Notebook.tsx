import { PenLine, Search } from "lucide-react";
import { useState } from "react";
import { Link } from "../../ui/route";
import { asTrouble } from "../../api/client";
import { useGrains, useNotebook, type Wanted } from "../../api/queries";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { useNow } from "../../ui/useNow";
import { ByHand } from "./ByHand";
import { Compare } from "./Compare";
import { EntryLine } from "./EntryLine";
import { EntrySheet } from "./EntrySheet";
import { Lessons } from "./Lessons";
import { Plane } from "./Plane";
import { Table } from "./Table";
import { useGone } from "../../ui/gone";

const ALL: Wanted = { q: "", grain: "", pot: "", page: 1 };
const pick = "min-h-11 rounded-key border border-line bg-sheet px-2 text-small";

/** Every pot that was cooked: told beside poured and taken, how it came out, and what the pots say about the next one. */
export function Notebook() {
  const [wanted, setWanted] = useState(ALL);
  const notebook = useNotebook(wanted);
  const grains = useGrains();
  const now = useNow();
  const [chosen, setChosen] = useState<number[]>([]);
  const [open, setOpen] = useState<number | null>(null);
  const [byHand, setByHand] = useState(false);
  const book = notebook.data;
  const gone = useGone();
  const entries = book?.entries.filter((e) => !gone.has(`entry/${e.id}`)) ?? [];
  const ask = (more: Partial<Wanted>) => setWanted({ ...wanted, page: 1, ...more });
  const toggle = (id: number) =>
    setChosen(chosen.includes(id) ? chosen.filter((c) => c !== id) : [...chosen, id].slice(-2));
  const two = chosen.map((id) => entries.find((e) => e.id === id)).filter((e) => e !== undefined);
  const entry = entries.find((e) => e.id === open);
  const empty = book && book.total === 0 && JSON.stringify(wanted) === JSON.stringify(ALL);
  return (
    <div className="pt-5">
      <div className="mb-4 flex flex-wrap items-center gap-3">
        <h1 className="mr-auto text-title">Notebook</h1>
        <Button kind="main" onClick={() => setByHand(true)}>
          <PenLine size={17} aria-hidden /> Write down a meal
        </Button>
      </div>
      <Wrong trouble={asTrouble(notebook.error)} className="mb-3" />
      <Lessons
        show={(ids) => {
          setWanted(ALL);
          setChosen(ids);
        }}
      />
      {empty && (
        <div className="max-w-[46ch] py-6">
          <p className="mb-4 text-lead">
            Nothing is written yet. Each cooking at the stove writes its own page; a meal cooked without it is written
            down in a minute.
          </p>
          <Link to="/plan" className={keyLook()}>
            To the plan
          </Link>
        </div>
      )}
      {book && !empty && (
        <div className="grid items-start gap-6 min-[62.5rem]:grid-cols-[minmax(0,1fr)_320px]">
          <div className="min-w-0">
            <div role="search" className="mb-2 flex flex-wrap gap-2">
              <label className="relative min-w-[180px] flex-1">
                <span className="sr-only">Search</span>
                <Search size={17} aria-hidden className="absolute left-3 top-[13px] text-soft" />
                <input
                  value={wanted.q}
                  onChange={(e) => ask({ q: e.target.value })}
                  placeholder="dish, word or note"
                  className={`${pick} w-full pl-9`}
                />
              </label>
              <select
                aria-label="Grain"
                value={wanted.grain}
                onChange={(e) => ask({ grain: e.target.value })}
                className={pick}
              >
                <option value="">every grain</option>
                {book.grains.map((g) => (
                  <option key={g} value={g}>
                    {grains.data?.find((x) => x.slug === g)?.name ?? g}
                  </option>
                ))}
              </select>
              <select
                aria-label="Pot"
                value={wanted.pot}
                onChange={(e) => ask({ pot: e.target.value })}
                className={pick}
              >
                <option value="">every pot</option>
                {book.pots.map((p) => (
                  <option key={p} value={p}>
                    {p}
                  </option>
                ))}
              </select>
            </div>
            {two[0] && two[1] && chosen.length === 2 && <Compare two={[two[0], two[1]]} now={now} />}
            {chosen.length === 1 && (
              <p className="mb-2 text-small text-soft">Tick another to see the two side by side.</p>
            )}
            {book.total === 0 && <p className="py-4 text-body">No page says that: search for less.</p>}
            <ul className="m-0 list-none p-0" aria-label="Pots cooked">
              {entries.map((e) => (
                <EntryLine
                  key={e.id}
                  entry={e}
                  now={now}
                  chosen={chosen.includes(e.id)}
                  open={() => setOpen(e.id)}
                  pick={() => toggle(e.id)}
                />
              ))}
            </ul>
            {book.pages > 1 && (
              <div className="mt-3 flex items-center gap-3">
                <Button disabled={book.page <= 1} onClick={() => ask({ page: book.page - 1 })}>
                  Newer
                </Button>
                <span className="text-small text-soft">
                  page {book.page} of {book.pages}, {book.total} pots
                </span>
                <Button disabled={book.page >= book.pages} onClick={() => ask({ page: book.page + 1 })}>
                  Older
                </Button>
              </div>
            )}
          </div>
          <Plane entries={entries} chosen={new Set(chosen)} pick={setOpen} />
        </div>
      )}
      <Table />
      {entry && <EntrySheet key={entry.id} entry={entry} now={now} onClose={() => setOpen(null)} />}
      {byHand && (
        <ByHand
          onClose={(made) => {
            setByHand(false);
            if (made !== null) setWanted(ALL);
          }}
        />
      )}
    </div>
  );
}
