import { Bottom } from "./Bottom";
import { keysOn, PLACES } from "./keys";

const MORE: [string, string][] = [
  ["Enter", "go on: the main thing to do here, along the way from the recipe to the stove"],
  ["Ctrl Enter", "the same, while typing"],
  ["/", "to the first field"],
  ["Esc", "close what is open"],
  ["?", "this list"],
];

/** All the keys there are, and the switch for them. */
export function Keys({ onClose }: { onClose: () => void }) {
  const [on, set] = keysOn.use();
  const rows = [...MORE, ...PLACES.map(([key, , word]): [string, string] => [key, word])];
  return (
    <Bottom open onOpen={(open) => !open && onClose()} title="Keys">
      <table className="w-full border-collapse text-body">
        <tbody>
          {rows.map(([key, what]) => (
            <tr key={key} className="dotted">
              <th scope="row" className="w-32 py-1.5 pr-3 text-left align-top whitespace-nowrap">
                <kbd className="figures rounded-[6px] border border-line bg-quiet px-2 py-0.5 font-bold">{key}</kbd>
              </th>
              <td className="py-1.5">{what}</td>
            </tr>
          ))}
        </tbody>
      </table>
      <label className="mt-3 flex min-h-12 items-center gap-3 text-body">
        <input
          type="checkbox"
          checked={on}
          onChange={(e) => set(e.target.checked)}
          className="h-6 w-6 accent-[var(--water)]"
        />
        Single keys on this device
      </label>
    </Bottom>
  );
}
