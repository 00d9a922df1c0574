import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api, asTrouble, type Session, type Trouble } from "../../api/client";
import { allChanged } from "../../api/subjects";
import { Button, Wrong } from "../../ui/bits";
import { Pop } from "../../ui/Pop";
import { decimal } from "../../job/manner";
import { typedNumber } from "../../job/typed";

/** "My glass holds": the household's own measure, in which every pour is said. */
export function Measure({ session }: { session: Session }) {
  const client = useQueryClient();
  const [name, setName] = useState(session.measure_name);
  const [ml, setMl] = useState(decimal(session.measure_ml));
  const [cup, setCup] = useState(decimal(session.cup_ml));
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const save = async () => {
    const number = typedNumber(ml);
    const cupMl = typedNumber(cup);
    if (!Number.isFinite(cupMl))
      return setTrouble({
        code: "number",
        where: "cup_ml",
        text: `“${cup}” is not a number; write how many millilitres a cup holds.`,
      });
    if (!Number.isFinite(number))
      return setTrouble({
        code: "number",
        where: "measure_ml",
        text: `“${ml}” is not a number; write how many millilitres it holds.`,
      });
    try {
      client.setQueryData(
        ["session"],
        await answer(
          api.PUT("/api/household/measure", { body: { measure_name: name, measure_ml: number, cup_ml: cupMl } }),
        ),
      );
      // plan, table of grains and notebook say their amounts in it too
      await allChanged(client);
      setTrouble(null);
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  const input = "mt-1 block min-h-11 w-full rounded-key border border-line bg-quiet px-3 text-body font-normal";
  return (
    <Pop
      label="Your own measure"
      trigger={
        <Button>
          My {session.measure_name} holds <strong className="figures">{session.measure_ml} ml</strong>
        </Button>
      }
    >
      <div className="space-y-3 text-small font-semibold">
        <label className="block">
          What do you measure with?
          <input value={name} onChange={(e) => setName(e.target.value)} className={input} />
        </label>
        {trouble?.where === "measure_name" && <Wrong trouble={trouble} />}
        <label className="block">
          It holds, in ml
          <input value={ml} inputMode="decimal" onChange={(e) => setMl(e.target.value)} className={input} />
        </label>
        <label className="block">
          A recipe’s cup holds, in ml
          <input value={cup} inputMode="decimal" onChange={(e) => setCup(e.target.value)} className={input} />
          <span className="mt-1 block text-fine font-normal text-soft">237 in American books, 250 in most others</span>
        </label>
        {trouble && trouble.where !== "measure_name" && <Wrong trouble={trouble} />}
        <Button kind="main" className="w-full" onClick={() => void save()}>
          That is my measure
        </Button>
      </div>
    </Pop>
  );
}
