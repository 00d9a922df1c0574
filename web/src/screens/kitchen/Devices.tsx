import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, type Kitchen, type Trouble } from "../../api/client";
import { changed } from "../../api/subjects";
import { Button, Sheet, Wrong } from "../../ui/bits";

/** A scale or a probe of one's own, by its key. The simulated ones need none. */
export function Devices({ devices }: { devices: Kitchen["devices"] }) {
  const client = useQueryClient();
  const [name, setName] = useState("");
  const [kind, setKind] = useState<"scale" | "probe">("scale");
  const [made, setMade] = useState<{ name: string; key: string } | null>(null);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const add = async () => {
    try {
      const got = await answer(api.POST("/api/kitchen/devices", { body: { name, kind } }));
      setMade({ name: got.name, key: got.key });
      setName("");
      setTrouble(null);
      await changed(client, "kitchen");
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  const drop = async (id: number) => {
    await answer(api.DELETE("/api/kitchen/devices/{device_id}", { params: { path: { device_id: id } } })).catch((fault: unknown) => setTrouble(asTrouble(fault)));
    await changed(client, "kitchen");
  };
  return (
    <Sheet className="mt-4 p-5" aria-label="Devices">
      <h2 className="mb-1 text-lead">Scale and probe</h2>
      <p className="mb-3 text-small text-soft">A simulated scale is always at the stove. One of your own tells what it reads over the network, by a key.</p>
      {devices.map((d) => (
        <p key={d.id} className="dotted flex min-h-12 items-center gap-3 text-body">
          {d.name} <span className="text-soft">{d.kind}</span>
          <Button kind="warn" className="ml-auto" onClick={() => void drop(d.id)}>
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
          <input value={name} onChange={(e) => setName(e.target.value)} className="mt-1 block min-h-12 w-52 rounded-key border border-line bg-quiet px-3 text-body font-normal" />
        </label>
        <label className="text-small font-semibold">
          It is a
          <select value={kind} onChange={(e) => setKind(e.target.value as "scale" | "probe")} className="mt-1 block min-h-12 rounded-key border border-line bg-quiet px-3 text-body font-normal">
            <option value="scale">scale</option>
            <option value="probe">probe</option>
          </select>
        </label>
        <Button className="min-h-12" onClick={() => void add()}>
          Add it
        </Button>
      </div>
      <Wrong trouble={trouble} className="mt-2" />
    </Sheet>
  );
}
