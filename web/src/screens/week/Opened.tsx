import { useNavigate } from "../../ui/route";
import { answer, api, asTrouble, type WeekMeal } from "../../api/client";
import { useMembers } from "../../api/queries";
import { useChange } from "../../api/subjects";
import { minutes } from "../../job/words";
import { Button, Sheet, Wrong } from "../../ui/bits";
import { bring, choice, FIRST_CHOICE } from "../draft";
import { tonight } from "../plan/tonight";
import { plus, short, week, weekday } from "./days";
import { throwAway } from "../../ui/gone";

interface Change {
  on?: string;
  cook_id?: number | null;
  shifted?: boolean;
  double?: boolean;
  minutes?: number | null;
}

/** One bowl opened: its numbers, who cooks it, on which day, in how much time. */
export function Opened({ meal: m, start }: { meal: WeekMeal; start: string }) {
  const go = useNavigate();
  const members = useMembers();
  const path = { meal_id: m.id };
  const change = useChange("week", (body: Change) =>
    answer(api.PUT("/api/week/meals/{meal_id}", { params: { path }, body })),
  );
  const off = useChange("week", () =>
    answer(api.DELETE("/api/week/meals/{meal_id}", { params: { path }, keepalive: true })),
  );
  const keep = useChange(["week", "recipes"], () =>
    answer(api.POST("/api/week/meals/{meal_id}/keep", { params: { path } })),
  );
  const bench = async () => {
    const found = await answer(api.GET("/api/recipes/{recipe_id}", { params: { path: { recipe_id: m.recipe_id } } }));
    bring(found.text, found.id, found.corrections);
    choice.set({ ...FIRST_CHOICE, to: m.shifted ? m.grain : FIRST_CHOICE.to });
    go("/bench");
  };
  const plan = () =>
    keep.mutate(undefined, {
      onSuccess: (k) => {
        void tonight.change((d) => ({ ...d, ids: [String(k.shift_id)], changes: {}, pins: {} }));
        go("/plan");
      },
    });
  return (
    <Sheet className="border-0 min-[62.5rem]:border min-[62.5rem]:p-7" aria-label={`${weekday(m.on)}: ${m.title}`}>
      <h2 className="text-head">
        <span className="max-[62.4375rem]:hidden">{weekday(m.on)}: </span>
        {m.title}
        {m.shifted && (
          <>
            , <span className="changed">{m.name}</span>
          </>
        )}
      </h2>
      {m.reason && <p className="mt-1 text-lead">{m.reason}</p>}
      {m.trouble && <p className="mt-1 text-warn">{m.trouble}</p>}
      {m.shifted && m.pour_ml !== null && (
        <p className="figures mt-3 flex flex-wrap items-baseline gap-x-8">
          <span>
            <strong className="font-show text-number">{m.pour_said.replace(/ .*/, "")}</strong>{" "}
            {m.pour_said.replace(/^\S+ ?/, "")}
          </span>
          <span>
            <strong className="font-show text-number">{minutes(m.total_min ?? 0).replace(/ .*/, "")}</strong>{" "}
            {minutes(m.total_min ?? 0).replace(/^\S+ /, "")} to the plate
          </span>
        </p>
      )}
      <Row label="Who cooks">
        <Touch on={m.cook_id === null} onClick={() => change.mutate({ cook_id: null })}>
          anybody
        </Touch>
        {members.data?.map((x) => (
          <Touch key={x.id} on={m.cook_id === x.id} onClick={() => change.mutate({ cook_id: x.id })}>
            {x.name}
          </Touch>
        ))}
      </Row>
      <Row label="Time that evening">
        {[20, 30, 45, 60, 90, null].map((n) => (
          <Touch key={n} on={m.minutes === n} onClick={() => change.mutate({ minutes: n })}>
            {n === null ? "enough" : `${n} min`}
          </Touch>
        ))}
      </Row>
      <Row label="Another day">
        {[...week(start), plus(m.on, 7)].map((d) => (
          <Touch key={d} on={d === m.on} onClick={() => change.mutate({ on: d })} label={`${weekday(d)}, ${short(d)}`}>
            {d === plus(m.on, 7) ? "a week later" : weekday(d).slice(0, 2)}
          </Touch>
        ))}
      </Row>
      <Row label="How much">
        <Touch on={m.double} onClick={() => change.mutate({ double: !m.double })}>
          twice as much, half to freeze or for tomorrow
        </Touch>
      </Row>
      <Wrong trouble={asTrouble(change.error) ?? asTrouble(keep.error)} className="mt-3" />
      <div className="mt-4 flex flex-wrap gap-2">
        {m.shifted && (
          <Button kind="main" onClick={plan}>
            Plan it
          </Button>
        )}
        <Button kind={m.shifted ? "plain" : "main"} onClick={() => void bench()}>
          {m.shifted ? "Another grain" : "To the bench"}
        </Button>
        {m.shifted && <Button onClick={() => change.mutate({ shifted: false })}>Back to rice</Button>}
        <Button
          kind="quiet"
          onClick={() => throwAway(`meal/${m.id}`, `${m.title}: off the week.`, () => off.mutateAsync(undefined))}
        >
          Off the week
        </Button>
      </div>
    </Sheet>
  );
}

function Row({ label, children }: { label: string; children: React.ReactNode }) {
  return (
    <div role="group" aria-label={label} className="mt-3">
      <p className="text-small text-soft">{label}</p>
      <div className="mt-1 flex flex-wrap gap-1.5">{children}</div>
    </div>
  );
}

function Touch({
  on,
  onClick,
  label,
  children,
}: {
  on: boolean;
  onClick: () => void;
  label?: string;
  children: React.ReactNode;
}) {
  return (
    <button
      type="button"
      aria-pressed={on}
      aria-label={label}
      onClick={onClick}
      className={`min-h-11 min-w-11 rounded-key border px-3 ${on ? "border-ink bg-ink text-ground" : "border-line bg-sheet hover:border-water"}`}
    >
      {children}
    </button>
  );
}
