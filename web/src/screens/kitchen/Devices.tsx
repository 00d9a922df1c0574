import { useState } from "react";
import { answer, api, asTrouble, type Kitchen } from "../../api/client";
import { useChange } from "../../api/subjects";
import { Button, Sheet, Wrong } from "../../ui/bits";
import { throwAway, useGone } from "../../ui/gone";
import { OneOf } from "../../ui/OneOf";

const KINDS: [string, string][] = [
  ["scale", "a scale"],
  ["probe", "a probe"],
];

/** A scale or a probe of one's own, by its key. The simulated ones need none. */
export function Devices({ devices }: { devices: Kitchen["devices"] }) {
  const gone = useGone();
  const [name, setName] = useState("");
  const [kind, setKind] = useState("scale");
  const add = useChange("kitchen", () =>
    answer(api.POST("/api/kitchen/devices", { body: { name, kind: kind as "scale" | "probe" } })),
  );
  const drop = useChange("kitchen", (device_id: number) =>
    answer(api.DELETE("/api/kitchen/devices/{device_id}", { params: { path: { device_id } }, keepalive: true })),
  );
  const made = add.data;
  return (
    <Sheet className="mt-4 p-5" aria-label="Devices">
      <h2 className="mb-1 text-lead">Scale and probe</h2>
      <p className="mb-3 text-small text-soft">
        A simulated scale is always at the stove. One of your own tells what it reads over the network, by a key.
      </p>
      {devices
        .filter((d) => !gone.has(`device/${d.id}`))
        .map((d) => (
          <p key={d.id} className="dotted flex min-h-12 items-center gap-3 text-body">
            {d.name} <span className="text-soft">{d.kind}</span>
            <Button
              kind="warn"
              className="ml-auto"
              onClick={() => throwAway(`device/${d.id}`, `${d.name}: taken off.`, () => drop.mutateAsync(d.id))}
            >
              Take it off
            </Button>
          </p>
        ))}
      {made && (
        <p role="status" className="my-3 border-l-4 border-mark pl-3 text-small">
          The key of {made.name}, shown this once: <code className="break-all font-bold">{made.key}</code>
        </p>
      )}
      <div className="mt-2 flex flex-wrap items-end gap-2">
        <label className="text-small font-semibold">
          What you call it
          <input
            value={name}
            onChange={(e) => setName(e.target.value)}
            className="mt-1 block min-h-12 w-52 rounded-key border border-line bg-quiet px-3 text-body font-normal"
          />
        </label>
        <OneOf label="It is" of={KINDS} now={kind} set={setKind} className="" />
        <Button className="min-h-12" onClick={() => add.mutate(undefined, { onSuccess: () => setName("") })}>
          Add it
        </Button>
      </div>
      <Wrong trouble={asTrouble(add.error)} className="mt-2" />
    </Sheet>
  );
}
