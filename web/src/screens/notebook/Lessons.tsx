import { useState } from "react";
import { answer, api, asTrouble, type Lesson } from "../../api/client";
import { useLessons } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { Button, Wrong } from "../../ui/bits";

/** What the pots say, a sentence each, with the pots behind it; accepted, refused, or taken back. */
export function Lessons({ show }: { show: (ids: number[]) => void }) {
  const lessons = useLessons();
  const decide = useChange("lessons", (body: { kind: string; subject: string; take: "accept" | "refuse" | "reset" }) =>
    answer(api.POST("/api/lessons", { body })),
  );
  const forget = useChange("lessons", () => answer(api.DELETE("/api/lessons")));
  const [sure, setSure] = useState(false);
  if (!lessons.data) return null;
  const { lessons: open, held } = lessons.data;
  const key = (x: Pick<Lesson, "kind" | "subject">) => ({ kind: x.kind, subject: x.subject });
  return (
    <section aria-label="What the pots say">
      {open.length > 0 && (
        <ul className="m-0 mb-3 list-none border-l-4 border-mark bg-sheet px-4 py-1">
          {open.map((x) => (
            <li
              key={x.kind + x.subject}
              className="dotted flex flex-wrap items-center gap-x-3 gap-y-1 py-2 last:border-0"
            >
              <p className="min-w-[240px] flex-1 text-lead font-[650] leading-snug">{x.text}</p>
              <span className="flex flex-wrap gap-2">
                <Button kind="quiet" onClick={() => show(x.entries)} aria-label={`Show them: ${x.text}`}>
                  Show them
                </Button>
                <Button
                  kind="main"
                  disabled={decide.isPending}
                  onClick={() => decide.mutate({ ...key(x), take: "accept" })}
                  aria-label={`Reckon with it: ${x.text}`}
                >
                  Reckon with it
                </Button>
                <Button
                  disabled={decide.isPending}
                  onClick={() => decide.mutate({ ...key(x), take: "refuse" })}
                  aria-label={`No: ${x.text}`}
                >
                  No
                </Button>
              </span>
            </li>
          ))}
        </ul>
      )}
      <Wrong trouble={asTrouble(decide.error) ?? asTrouble(forget.error)} className="mb-3" />
      {held.length > 0 && (
        <details className="mb-3">
          <summary className="min-h-11 cursor-pointer py-2 text-body font-semibold">
            {held.length === 1 ? "One thing learnt is reckoned with" : `${held.length} things learnt are reckoned with`}
          </summary>
          {held.map((h) => (
            <p key={h.kind + h.subject} className="dotted flex flex-wrap items-center gap-x-3 py-1 text-body">
              <span className="mr-auto">{h.text}</span>
              <Button kind="quiet" onClick={() => decide.mutate({ ...key(h), take: "reset" })}>
                Back to the catalogue
              </Button>
            </p>
          ))}
          <p className="mt-1">
            {sure ? (
              <>
                <Button
                  kind="warn"
                  onClick={() => {
                    setSure(false);
                    forget.mutate(undefined);
                  }}
                >
                  Yes, forget all of it
                </Button>
                <Button kind="quiet" onClick={() => setSure(false)}>
                  No
                </Button>
              </>
            ) : (
              <Button kind="quiet" onClick={() => setSure(true)}>
                Forget everything learnt
              </Button>
            )}
          </p>
        </details>
      )}
    </section>
  );
}
