interface Point {
  minute: number;
  left: string;
  done: number;
}

/** What the drawing of a pot shows, for who does not see it. */
export function PotTable({ curve }: { curve: readonly Point[] }) {
  return (
    // a table keeps its width whatever is said of it: it is the box around it that is hidden
    <div className="sr-only">
      <table>
        <caption>The pot minute by minute</caption>
        <thead>
          <tr>
            <th>minute</th>
            <th>water still free</th>
            <th>done, %</th>
          </tr>
        </thead>
        <tbody>
          {curve
            .filter((_, i) => i % 8 === 0)
            .map((p) => (
              <tr key={p.minute}>
                <td>{Math.round(p.minute)}</td>
                <td>{p.left}</td>
                <td>{Math.round(Math.min(1, p.done) * 100)}</td>
              </tr>
            ))}
        </tbody>
      </table>
    </div>
  );
}
