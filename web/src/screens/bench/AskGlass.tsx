import { useSession } from "../../api/queries";
import { Button } from "../../ui/bits";
import { kept } from "../../ui/kept";
import { Measure } from "../kept/Measure";

// what a glass is taken to hold until it is said
const USUAL_ML = 240;
const said = kept("mealshift.glass-said", false, "device");

/** What the cook's own glass holds: asked once, at the first number that is said in it. */
export function AskGlass({ unit }: { unit: string }) {
  const session = useSession().data;
  const [done, say] = said.use();
  if (done || !session?.signed_in || unit !== session.measure_name || session.measure_ml !== USUAL_ML) return null;
  return (
    <div className="my-1 flex flex-wrap items-center gap-x-1 gap-y-1.5 border-l-4 border-mark pl-2">
      <span className="w-full text-small leading-snug">
        Said for a {session.measure_name} of {USUAL_ML} ml. Is yours so?
      </span>
      <Button onClick={() => say(true)}>It is</Button>
      <Measure session={session} />
    </div>
  );
}
