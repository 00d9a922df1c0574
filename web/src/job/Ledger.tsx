import type { Pot } from "../api/client";
import { pourSaid, signed } from "./words";
import { decimal } from "./manner";

function Rows({ rows, total, unit }: { rows: { n: number; because: string }[]; total: number; unit: string }) {
  return (
    <table className="w-full border-collapse text-small">
      <tbody className="figures">
        {rows.map((r, i) => (
          <tr key={i} className="dotted align-baseline">
            <td className="whitespace-nowrap py-1.5 pr-4 text-right font-semibold">{signed(r.n)}</td>
            <td className="py-1.5 text-soft">{r.because}</td>
          </tr>
        ))}
        <tr className="align-baseline">
          <th scope="row" className="py-2 pr-4 text-right font-show text-head">
            {total}
          </th>
          <td className="py-2 font-semibold">{unit}</td>
        </tr>
      </tbody>
    </table>
  );
}

/** What the pour is made of: a sentence and a sum. */
export function WaterLedger({ pot }: { pot: Pot }) {
  const { water } = pot;
  const said = pourSaid(water.jug_ml ?? water.pour_ml, water.pour_said);
  return (
    <div>
      <h3 className="text-lead">
        Why {said.number} {said.unit}
      </h3>
      <p className="mb-3 mt-1 text-small text-soft">
        {water.about}
        {water.ratio_by_volume !== null && ` 1 to ${decimal(water.ratio_by_volume)} by volume.`}
        {said.unit !== "ml" && " The sum is in millilitres, so that it adds up."}
      </p>
      <Rows rows={pot.ledger.map((r) => ({ n: r.ml, because: r.because }))} total={water.pour_ml} unit="ml to pour" />
    </div>
  );
}

export function TimeLedger({ pot }: { pot: Pot }) {
  const { cook } = pot.time;
  return (
    <div>
      <h3 className="text-lead">
        Why {cook.typical} minutes, {pot.time.total_min} in all
      </h3>
      <p className="mb-3 mt-1 text-small text-soft">
        Look from minute {cook.low}; by minute {cook.high} it should be there. The sign decides: {pot.done_when}
      </p>
      <Rows
        rows={pot.time_ledger.map((r) => ({ n: r.min, because: r.because }))}
        total={pot.time.total_min}
        unit="minutes from heat on to the plate"
      />
      <p className="mt-2 text-small text-soft">
        {pot.basis === "practice"
          ? "The base time is kitchen practice for this grain."
          : "The base time is derived from the boiled grain’s."}
      </p>
    </div>
  );
}
