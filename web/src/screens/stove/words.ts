import type { CookStep } from "../../api/client";
import type { Cooking } from "./useCooking";

/** What a touch of any part of the stove tells the cooking. */
export type Touching = (kind: string, data: Parameters<Cooking["touch"]>[1], what: string) => void;

export const lower = (text: string): string => text.charAt(0).toLowerCase() + text.slice(1);

/** The dish a step is for; first its part that is a dish of its own. */
export const whose = (step: CookStep): string => (step.part ? `${step.part}: ${step.dish}` : step.dish);
