import { useMutation, useQueryClient, type QueryClient } from "@tanstack/react-query";

/** What is asked of the server, by the first word of its key. */
export type Asked =
  | "session"
  | "grains"
  | "examples"
  | "read"
  | "try"
  | "shift"
  | "grain"
  | "compare"
  | "what-if"
  | "plan"
  | "recipes"
  | "shifts"
  | "kitchen"
  | "cookings"
  | "tonight"
  | "notebook"
  | "lessons"
  | "larder"
  | "left"
  | "members"
  | "week"
  | "training";

/** What is reckoned with the household's kitchen, jars and lessons. */
const RECKONED = ["shift", "plan", "compare", "what-if", "grain"] as const;

/** A subject that somebody changes, and all that may be otherwise after it. */
const AFTER = {
  kitchen: ["kitchen", "week", "larder", ...RECKONED],
  larder: ["larder", "left", "week", "compare", "plan", "grain"],
  left: ["left", "larder", "week"],
  // a page says what was poured and eaten, and teaches the next pot
  notebook: ["notebook", "lessons", "larder", "left", "kitchen", "week", "recipes", "shifts", ...RECKONED],
  lessons: ["lessons", "notebook", "week", ...RECKONED],
  week: ["week", "larder"],
  recipes: ["recipes", "shifts", "week", "larder"],
  members: ["members"],
  practice: ["training"],
} as const satisfies Record<string, readonly Asked[]>;
export type Subject = keyof typeof AFTER;

/** How the household says its numbers, a restored backup, touches that come home: nothing that was asked before is believed. */
export const allChanged = (client: QueryClient): Promise<void> => client.invalidateQueries();

export const changed = (client: QueryClient, ...subjects: Subject[]): Promise<unknown> =>
  Promise.all(
    [...new Set<Asked>(subjects.flatMap((s) => AFTER[s]))].map((key) => client.invalidateQueries({ queryKey: [key] })),
  );

/** A change of one subject or several on the server; what hangs on them is asked anew when it is done. */
export function useChange<In, Out>(subjects: Subject | readonly Subject[], change: (input: In) => Promise<Out>) {
  const client = useQueryClient();
  return useMutation({
    mutationFn: change,
    onSuccess: () => changed(client, ...(typeof subjects === "string" ? [subjects] : subjects)),
  });
}
