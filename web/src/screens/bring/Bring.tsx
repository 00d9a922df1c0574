import { lazy, Suspense, useEffect, useRef, useState, type DragEvent } from "react";
import { useNavigate, useSearchParams } from "../../ui/route";
import { asTrouble, type Trouble } from "../../api/client";
import { useExamples, useReading } from "../../api/queries";
import { Button, Sheet, Wrong } from "../../ui/bits";
import { useSettled } from "../../ui/useSettled";
import { readFile } from "../../ui/readFile";
import { dayName } from "../../job/days";
import { bring, draft, NO_DRAFT, redo, shared, takenUp, undo } from "../draft";
import { JustAPot } from "./JustAPot";
import { clock } from "../../job/manner";
import { putAside } from "../../ui/gone";

const MOST_BYTES = 3_500_000;
// an empty page needs neither: they come while the recipe is read
const parts = { marked: () => import("./MarkedText"), understood: () => import("./Understood") };
const MarkedText = lazy(() => parts.marked().then((m) => ({ default: m.MarkedText })));
const Understood = lazy(() => parts.understood().then((m) => ({ default: m.Understood })));
const soon = () => void Promise.all([parts.marked(), parts.understood()]).catch(() => undefined);

export function Bring() {
  const [now, set] = draft.use();
  const [from, setFrom] = takenUp.use();
  const [editing, setEditing] = useState(false);
  const [file, setFile] = useState<Trouble | null>(null);
  const [over, setOver] = useState(false);
  const picker = useRef<HTMLInputElement>(null);
  const go = useNavigate();
  const text = useSettled(now.text, 220);
  const reading = useReading(text, now.corrections);
  const trouble = file ?? asTrouble(reading.error);
  const empty = now.text.trim() === "";
  const marked = !empty && !editing && reading.data && !reading.error;
  const stopped = reading.data?.problems.some((p) => p.severity === "stop") ?? false;

  useEffect(() => {
    const idle = window.setTimeout(soon, 1200);
    return () => window.clearTimeout(idle);
  }, []);

  const [query, setQuery] = useSearchParams();
  useEffect(() => {
    const text = shared(query.toString());
    if (text === "") return;
    bring(text);
    setQuery({}, { replace: true });
  }, [query, setQuery]);

  const take = async (found: File | undefined) => {
    if (!found) return;
    if (found.size > MOST_BYTES) {
      setFile({
        code: "too_long",
        where: "text",
        text: `${found.name} is larger than any recipe: bring one of under 3 MB.`,
      });
      return;
    }
    setFile(null);
    setEditing(false);
    bring(await readFile(found));
  };
  const another = () => {
    const had = draft.get();
    draft.set(NO_DRAFT);
    setFrom(null);
    setEditing(false);
    setFile(null);
    putAside("The recipe is put aside.", () => draft.set(had));
  };
  const drop = (event: DragEvent) => {
    event.preventDefault();
    setOver(false);
    const found = event.dataTransfer.files[0];
    if (found) void take(found);
    else if (event.dataTransfer.getData("text")) bring(event.dataTransfer.getData("text"));
  };

  return (
    <div className="grid gap-6 pt-6 min-[62.5rem]:grid-cols-[minmax(0,1fr)_380px]">
      <Sheet
        className={`relative min-h-[60vh] ${over ? "outline-3 outline-dashed outline-water" : ""}`}
        aria-label="Your recipe"
      >
        {/* the drop target is a convenience; the file button does the same by keyboard */}
        <div
          role="presentation"
          className="flex h-full flex-col p-5 min-[62.5rem]:p-8"
          onDragOver={(e) => {
            e.preventDefault();
            setOver(true);
          }}
          onDragLeave={() => setOver(false)}
          onDrop={drop}
        >
          <div className="mb-4 flex flex-wrap items-center gap-2">
            <h1 className="mr-auto text-title">
              {empty ? "Bring a rice recipe" : marked ? "Your recipe, as I read it" : "Your recipe"}
            </h1>
            {marked && now.before.length > 0 && <Button onClick={() => set(undo(now))}>Undo</Button>}
            {marked && now.after.length > 0 && <Button onClick={() => set(redo(now))}>Redo</Button>}
            {marked && (
              <Button
                onClick={() => {
                  if (reading.data && /^\s*[{[<]/.test(now.text)) set({ ...now, text: reading.data.text });
                  setEditing(true);
                }}
              >
                Edit the text
              </Button>
            )}
            {!empty && editing && (
              <Button kind="main" data-go onClick={() => setEditing(false)}>
                Read it
              </Button>
            )}
            {!empty && (
              <Button kind="quiet" onClick={another}>
                Another recipe
              </Button>
            )}
          </div>
          {from && !empty && (
            <p className="-mt-2 mb-3 text-small text-soft">
              Taken up where {from.by || "somebody"} left it, {dayName(new Date(from.changed), new Date())} at{" "}
              {clock(new Date(from.changed))}.
            </p>
          )}
          {trouble && <Wrong trouble={trouble} id="text-wrong" className="mb-3" />}
          {marked && reading.data ? (
            <Suspense fallback={<p className="text-soft">One moment…</p>}>
              <MarkedText reading={reading.data} />
            </Suspense>
          ) : (
            <>
              <label className="sr-only" htmlFor="recipe-text">
                Recipe text
              </label>
              <textarea
                id="recipe-text"
                value={now.text}
                aria-invalid={trouble !== null}
                aria-describedby={trouble ? "text-wrong" : undefined}
                onChange={(e) => {
                  setFile(null);
                  setEditing(true);
                  set({ ...now, text: e.target.value });
                }}
                onPaste={() => {
                  if (empty) setTimeout(() => setEditing(false));
                }}
                placeholder={
                  "Paste it here, as you have it.\n\nTomato pilaf\nServes 4\n300 g long-grain rice\n400 ml stock …"
                }
                spellCheck={false}
                className="min-h-[46vh] w-full flex-1 resize-none rounded-key border border-line bg-quiet p-4 text-body leading-[1.6] text-ink placeholder:text-soft"
              />
              <div className="mt-3 flex flex-wrap items-center gap-3 text-small text-soft">
                <Button onClick={() => picker.current?.click()}>Open a file</Button>
                or drop a text, saved page or recipe file here
                <input
                  ref={picker}
                  type="file"
                  aria-label="Recipe file"
                  tabIndex={-1}
                  accept=".txt,.md,.json,.jsonld,.html,.htm,text/plain,text/markdown,text/html,application/json,application/ld+json"
                  className="sr-only"
                  onChange={(e) => {
                    void take(e.target.files?.[0]);
                    e.target.value = "";
                  }}
                />
              </div>
            </>
          )}
        </div>
      </Sheet>
      <aside
        aria-label={empty ? "Demo recipes" : "What I understood"}
        className="min-[62.5rem]:sticky min-[62.5rem]:top-5 min-[62.5rem]:self-start"
      >
        {empty ? (
          <Examples />
        ) : reading.data && !trouble ? (
          <Suspense>
            <Understood reading={reading.data} onBench={() => go("/bench")} stopped={stopped} />
          </Suspense>
        ) : null}
      </aside>
    </div>
  );
}

function Examples() {
  const examples = useExamples();
  return (
    <div>
      <h2 className="mb-2 text-lead">Or start from one of these</h2>
      <ul className="m-0 list-none p-0">
        {examples.data?.map((e) => (
          <li key={e.slug} className="dotted">
            <button
              type="button"
              onClick={() => bring(e.text)}
              className="flex min-h-12 w-full items-baseline justify-between gap-3 py-2.5 text-left text-body text-ink hover:text-water"
            >
              <span className="font-semibold">{e.title}</span>
              <span className="shrink-0 text-fine text-soft">{e.shape}</span>
            </button>
          </li>
        ))}
      </ul>
      <h2 className="mb-2 mt-7 text-lead">No recipe, just a pot</h2>
      <JustAPot />
    </div>
  );
}
