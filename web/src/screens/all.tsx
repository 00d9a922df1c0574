import { lazy, useState, type ComponentType } from "react";
import { houseMenu } from "../Header";

const loads: (() => Promise<unknown>)[] = [];

type PropsOf<C> = (C extends ComponentType<infer P> ? P : never) & object;

/** A screen by itself, fetched when there is time, or when it is asked for. One that is here already is shown at once, without "One moment…" in between. */
function screen<Module, Name extends keyof Module>(load: () => Promise<Module>, name: Name): ComponentType<PropsOf<Module[Name]>> {
  type Props = PropsOf<Module[Name]>;
  let here: ComponentType<Props> | null = null;
  const fetched = async () => (here = (await load())[name] as ComponentType<Props>);
  loads.push(fetched);
  const Later = lazy(() => fetched().then((c) => ({ default: c })));
  return function Screen(props: Props) {
    const [Shown] = useState<ComponentType<Props>>(() => here ?? (Later as unknown as ComponentType<Props>));
    return <Shown {...props} />;
  };
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

/** Fetches the rest once the first page stands, so that a screen opened later, even without the network, is there. */
export function fetchTheRest(): void {
  const idle = window.requestIdleCallback ?? ((run: () => void) => window.setTimeout(run, 1500));
  const rest = [...loads, houseMenu, () => import("../ui/Keys"), () => import("./stove/deliver")];
  idle(() => void Promise.allSettled(rest.map((part) => part())));
}
