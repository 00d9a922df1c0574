import { lazy } from "react";
import { houseMenu } from "../Header";

/** Every screen by itself: what is not looked at is fetched when there is time, or when it is asked for. */
const parts = {
  Bench: () => import("./bench/Bench"),
  BoilOff: () => import("./kitchen/BoilOff"),
  Bring: () => import("./bring/Bring"),
  Cookings: () => import("./stove/Cookings"),
  Every: () => import("./every/Every"),
  GrainPage: () => import("./grain/GrainPage"),
  Grains: () => import("./grain/Grains"),
  House: () => import("./house/House"),
  Join: () => import("./house/Join"),
  Kept: () => import("./kept/Kept"),
  KeptShift: () => import("./kept/KeptShift"),
  Kitchen: () => import("./kitchen/Kitchen"),
  Larder: () => import("./larder/Larder"),
  Notebook: () => import("./notebook/Notebook"),
  Plan: () => import("./plan/Plan"),
  SignIn: () => import("./SignIn"),
  Stove: () => import("./stove/Stove"),
  Training: () => import("./training/Training"),
  Tried: () => import("./Tried"),
  Week: () => import("./week/Week"),
};

export const Bench = lazy(() => parts.Bench().then((m) => ({ default: m.Bench })));
export const BoilOff = lazy(() => parts.BoilOff().then((m) => ({ default: m.BoilOff })));
export const Bring = lazy(() => parts.Bring().then((m) => ({ default: m.Bring })));
export const Cookings = lazy(() => parts.Cookings().then((m) => ({ default: m.Cookings })));
export const Every = lazy(() => parts.Every().then((m) => ({ default: m.Every })));
export const GrainPage = lazy(() => parts.GrainPage().then((m) => ({ default: m.GrainPage })));
export const Grains = lazy(() => parts.Grains().then((m) => ({ default: m.Grains })));
export const House = lazy(() => parts.House().then((m) => ({ default: m.House })));
export const Join = lazy(() => parts.Join().then((m) => ({ default: m.Join })));
export const Kept = lazy(() => parts.Kept().then((m) => ({ default: m.Kept })));
export const KeptShift = lazy(() => parts.KeptShift().then((m) => ({ default: m.KeptShift })));
export const Kitchen = lazy(() => parts.Kitchen().then((m) => ({ default: m.Kitchen })));
export const Larder = lazy(() => parts.Larder().then((m) => ({ default: m.Larder })));
export const Notebook = lazy(() => parts.Notebook().then((m) => ({ default: m.Notebook })));
export const Plan = lazy(() => parts.Plan().then((m) => ({ default: m.Plan })));
export const SignIn = lazy(() => parts.SignIn().then((m) => ({ default: m.SignIn })));
export const Stove = lazy(() => parts.Stove().then((m) => ({ default: m.Stove })));
export const Training = lazy(() => parts.Training().then((m) => ({ default: m.Training })));
export const Tried = lazy(() => parts.Tried().then((m) => ({ default: m.Tried })));
export const Week = lazy(() => parts.Week().then((m) => ({ default: m.Week })));

/** Fetches the rest once the first page stands, so that a screen opened later, even without the network, is there. */
export function fetchTheRest(): void {
  const idle = window.requestIdleCallback ?? ((run: () => void) => window.setTimeout(run, 1500));
  const rest = [...Object.values(parts), houseMenu, () => import("../ui/Keys"), () => import("./stove/deliver")];
  idle(() => void Promise.allSettled(rest.map((part) => part())));
}
