import { Undo2 } from "lucide-react";
import { Link } from "../../ui/route";
import { type CookState } from "../../api/client";
import { Button, keyLook } from "../../ui/bits";
import { AfterMeal } from "./After";
import { doings } from "./fold";

/** The dinner is on the table, or was stopped. */
export function Over({
  state,
  undo,
  clockAt,
  id,
  practice,
  at,
}: {
  state: CookState;
  undo: (event: string) => void;
  clockAt: (m: number) => string;
  id: number;
  practice: boolean;
  at: (m: number) => number;
}) {
  const keep = state.steps.find((s) => s.kind === "keep");
  // the touch that ended it: the last one, which can be taken back as any other
  const slip = doings(state.events).find((d) => !d.gone && (d.event.kind === "ended" || d.event.kind === "done"));
  const served = Math.max(...state.steps.filter((s) => s.kind === "finish").map((s) => s.end ?? 0), 0);
  return (
    <div className="mx-auto max-w-[640px] pt-8">
      <h1 className="text-show">On the table</h1>
      <p className="mt-2 text-lead">
        {state.title}, {served > 0 ? `at ${clockAt(served)}` : "ended"}
        {served > 0 && Math.abs(served - state.serve.planned) >= 1.5 && ` instead of ${clockAt(state.serve.planned)}`}.
      </p>
      {state.said.map((s) => (
        <p key={s} className="mt-1 text-body text-soft">
          {s}
        </p>
      ))}
      {state.ended !== null || served > 0 ? (
        <AfterMeal cooking={id} served={practice ? null : new Date(at(served))} />
      ) : null}
      {keep && (
        <>
          <p className="mt-5 text-lead font-semibold">
            What is left: shallow, and into the fridge by {clockAt(served + keep.offset)}
            {practice && " by the practice clock"}.
          </p>
          {keep.cautions.map((c) => (
            <p key={c} className="mt-2 border-l-4 border-warn bg-warn-pale px-3 py-2 text-body">
              {c}
            </p>
          ))}
        </>
      )}
      <div className="mt-6 flex gap-3">
        {slip && (
          <Button className="min-h-16 flex-1 text-lead" onClick={() => undo(slip.undo)}>
            <Undo2 size={18} aria-hidden /> Not over yet
          </Button>
        )}
        <Link to="/stove" className={`${keyLook("plain", "text-lead")} min-h-16 flex-1`}>
          To the stove
        </Link>
      </div>
    </div>
  );
}
