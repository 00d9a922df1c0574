import { useState } from "react";
import { answer, api, asTrouble } from "../../api/client";
import { useChange } from "../../api/subjects";
import { Button, keyLook, Wrong } from "../../ui/bits";
import { readFile } from "../../ui/readFile";

/** The notebook as a table, out and in. A row that is not understood is named, and the cook says what becomes of the others. */
export function Table() {
  const [text, setText] = useState("");
  const bring = useChange("notebook", (body: { text: string; keep_rest: boolean }) =>
    answer(api.POST("/api/notebook.csv", { body })),
  );
  const got = bring.data;
  const send = (t: string, keep_rest: boolean) => {
    setText(t);
    bring.mutate({ text: t, keep_rest });
  };
  return (
    <section aria-label="As a table" className="mt-6 border-t border-line pt-3">
      <div className="flex flex-wrap gap-2">
        <a href="/api/notebook.csv" className={keyLook()}>
          Take it out as CSV
        </a>
        <label className={`${keyLook()} cursor-pointer focus-within:outline focus-within:outline-2`}>
          Bring a CSV in
          <input
            type="file"
            accept=".csv,text/csv"
            className="sr-only"
            onChange={(e) => {
              const file = e.target.files?.[0];
              e.target.value = "";
              if (file) void readFile(file).then((t) => send(t, false));
            }}
          />
        </label>
      </div>
      <Wrong trouble={asTrouble(bring.error)} className="mt-2" />
      {got && got.problems.length === 0 && (
        <p role="status" className="mt-2 text-body font-semibold">
          {got.taken} {got.taken === 1 ? "meal is" : "meals are"} in the notebook.
        </p>
      )}
      {got && got.problems.length > 0 && (
        <div role="alert" className="mt-2 border-l-4 border-warn bg-warn-pale px-3 py-2 text-small">
          {got.problems.slice(0, 8).map((p) => (
            <p key={p.where}>{p.text}</p>
          ))}
          {got.problems.length > 8 && <p>and {got.problems.length - 8} more.</p>}
          {got.taken === 0 ? (
            <div className="mt-2 flex flex-wrap gap-2">
              <Button onClick={() => send(text, true)}>Take the others all the same</Button>
              <Button onClick={() => bring.reset()}>Take nothing</Button>
            </div>
          ) : (
            <p className="mt-1 font-semibold">{got.taken} others are in the notebook.</p>
          )}
        </div>
      )}
    </section>
  );
}
