import { lazy, useEffect, useState, type ComponentType } from "react";
import { houseMenu } from "../Header";

const loads: (() => Promise<unknown>)[] = [];
let stands = false;

/** Has any screen been drawn? */
export const anyStands = (): boolean => stands;

type PropsOf<C> = (C extends ComponentType<infer P> ? P : never) & object;

/** A screen by itself, fetched when there is time, or when it is asked for. One that is here already is shown at once, without "One moment…" in between. */
function screen<Module, Name extends keyof Module>(
  load: () => Promise<Module>,
  name: Name,
): ComponentType<PropsOf<Module[Name]>> & { fetch: () => Promise<unknown> } {
  type Props = PropsOf<Module[Name]>;
  let here: ComponentType<Props> | null = null;
  const fetched = async () => (here = (await load())[name] as ComponentType<Props>);
  loads.push(fetched);
  const Later = lazy(() => fetched().then((c) => ({ default: c })));
  const shown = function Screen(props: Props) {
    const [Shown] = useState<ComponentType<Props>>(() => here ?? (Later as unknown as ComponentType<Props>));
    return (
      <>
        <Shown {...props} />
        <Stands />
      </>
    );
  };
  return Object.assign(shown, { fetch: fetched });
}

/** Drawn with a screen, not before it is here. */
function Stands() {
  useEffect(() => {
    stands = true;
  }, []);
  return null;
}

export const Bench = screen(() => import("./bench/Bench"), "Bench");
export const BoilOff = screen(() => import("./kitchen/BoilOff"), "BoilOff");
export const Bring = screen(() => import("./bring/Bring"), "Bring");
export const Cookings = screen(() => import("./stove/Cookings"), "Cookings");
export const Every = screen(() => import("./every/Every"), "Every");
export const GrainPage = screen(() => import("./grain/GrainPage"), "GrainPage");
export const Grains = screen(() => import("./grain/Grains"), "Grains");
export const House = screen(() => import("./house/House"), "House");
export const Join = screen(() => import("./house/Join"), "Join");
export const Kept = screen(() => import("./kept/Kept"), "Kept");
export const KeptShift = screen(() => import("./kept/KeptShift"), "KeptShift");
export const Kitchen = screen(() => import("./kitchen/Kitchen"), "Kitchen");
export const Larder = screen(() => import("./larder/Larder"), "Larder");
export const Notebook = screen(() => import("./notebook/Notebook"), "Notebook");
export const Plan = screen(() => import("./plan/Plan"), "Plan");
export const SignIn = screen(() => import("./SignIn"), "SignIn");
export const Stove = screen(() => import("./stove/Stove"), "Stove");
export const Training = screen(() => import("./training/Training"), "Training");
export const Tried = screen(() => import("./Tried"), "Tried");
export const Week = screen(() => import("./week/Week"), "Week");

/** Fetches the rest once the first screen stands, so that one opened later, even without the network, is there: part by part, so that a touch meanwhile is answered. */
export async function fetchTheRest(): Promise<void> {
  const idle = window.requestIdleCallback ?? ((run: () => void) => window.setTimeout(run, 50));
  for (const part of [...loads, houseMenu, () => import("../ui/Keys"), () => import("./stove/deliver")]) {
    await new Promise<void>((go) => void idle(() => go()));
    await part().catch(() => undefined);
  }
}
