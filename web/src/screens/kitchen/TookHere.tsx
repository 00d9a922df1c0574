import { answer, api } from "../../api/client";
import { useChange } from "../../api/subjects";
import { Button, Sheet } from "../../ui/bits";

/** How long things take in this kitchen, as the stove has seen it; it can be forgotten. */
export function TookHere({ said }: { said: string[] }) {
  const forget = useChange("kitchen", () => answer(api.DELETE("/api/kitchen/took")));
  return (
    <Sheet className="mt-4 p-5" aria-label="How long it takes here">
      <h2 className="mb-1 text-lead">How long it takes here</h2>
      <ul className="m-0 list-none p-0 text-body">
        {said.map((s) => (
          <li key={s} className="py-1">
            {s}
          </li>
        ))}
      </ul>
      <Button kind="quiet" className="-ml-3 mt-1" disabled={forget.isPending} onClick={() => forget.mutate(undefined)}>
        Forget these
      </Button>
    </Sheet>
  );
}
