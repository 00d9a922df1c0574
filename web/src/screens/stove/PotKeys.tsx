import { useState } from "react";
import { answer, api, asTrouble, type CookPot, type Trouble } from "../../api/client";
import { Button, Wrong } from "../../ui/bits";
import { newId } from "./store";
import { type Touching } from "./words";

/** What can be said of the pot while it is on. */
export function PotKeys({
  pot,
  cookingId,
  onDone,
  touch,
  open,
}: {
  pot: CookPot;
  cookingId: number;
  onDone: () => Promise<void>;
  touch: Touching;
  open: (s: "pour") => void;
}) {
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const bare = pot.lid === "open";
  const weigh = async () => {
    try {
      await answer(
        api.POST("/api/cookings/{cooking_id}/stand-in", {
          params: { path: { cooking_id: cookingId } },
          body: { id: newId(), pot: pot.key, kind: "scale" },
        }),
      );
      await onDone();
      setTrouble(null);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  return (
    <div className="mt-3">
      {pot.scale && <p className="mb-2 text-body font-semibold">{pot.scale}</p>}
      {pot.verdict && <p className="mb-2 border-l-4 border-mark pl-3 text-body">{pot.verdict}</p>}
      {trouble && <Wrong trouble={trouble} className="mb-2" />}
      {pot.locked && (
        <p className="text-body font-semibold">
          Locked until its pressure is down: nothing goes in, nothing is stirred, the lid stays on.
        </p>
      )}
      <div className={pot.locked ? "hidden" : "grid grid-cols-3 gap-2"}>
        <Button className="min-h-14 px-1" onClick={() => open("pour")}>
          Poured more
        </Button>
        {pot.own_lid !== "open" || bare ? (
          <Button
            className="min-h-14 px-1"
            disabled={bare && pot.own_lid === "open"}
            onClick={() =>
              touch("lid", { pot: pot.key, lid: bare ? pot.own_lid : "open" }, bare ? "lid on" : "lid off")
            }
          >
            {bare && pot.own_lid !== "open" ? "Lid on" : "Lid off"}
          </Button>
        ) : (
          <Button className="min-h-14 px-1" onClick={() => touch("lid", { pot: pot.key, lid: "ordinary" }, "lid on")}>
            Lid on
          </Button>
        )}
        <Button className="min-h-14 px-1" onClick={() => void weigh()}>
          On the scale
        </Button>
      </div>
    </div>
  );
}
