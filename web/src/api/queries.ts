import { allPages } from "./pages";
import { keepPreviousData, useQuery } from "@tanstack/react-query";
import { answer, api, TroubleError, type Choice, type Correction, type Session } from "./client";
import { kept } from "../ui/kept";
import { useChange } from "./subjects";
import { zone } from "../job/days";
import type { components } from "./schema";

/** Who is signed in. Without a network it is who was last: the stove opens, and the server asks again as soon as it answers. */
export const useSession = () =>
  useQuery({
    queryKey: ["session"],
    queryFn: async () => {
      try {
        return await answer(api.GET("/api/session"));
      } catch (fault) {
        const last = lastSession.get();
        if (last && fault instanceof TroubleError && (fault.status === 0 || fault.status >= 500)) return last;
        throw fault;
      }
    },
    staleTime: 300_000,
  });
/** Has no account, or is not signed in: what the household knows is not asked for. */
export const useGuest = (): boolean => useSession().data?.signed_in === false;
export const lastSession = kept<Session | null>("mealshift.session", null, "device");

export const useGrains = () =>
  useQuery({ queryKey: ["grains"], queryFn: () => answer(api.GET("/api/grains")), staleTime: Infinity });

export const useExamples = () =>
  useQuery({ queryKey: ["examples"], queryFn: () => answer(api.GET("/api/examples")), staleTime: Infinity });

export const useReading = (text: string, corrections: Correction[]) =>
  useQuery({
    queryKey: ["read", text, corrections],
    queryFn: ({ signal }) => answer(api.POST("/api/read", { body: { text, corrections }, signal })),
    enabled: text.trim() !== "",
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 60_000,
  });

export const useShift = (text: string, corrections: Correction[], choice: Choice | null) =>
  useQuery({
    queryKey: ["shift", text, corrections, choice],
    queryFn: ({ signal }) =>
      answer(api.POST("/api/shift", { body: { text, corrections, choice: choice as Choice }, signal })),
    enabled: text.trim() !== "" && choice !== null,
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 60_000,
  });

export const useGrainPage = (slug: string) =>
  useQuery({
    queryKey: ["grain", slug],
    queryFn: () => answer(api.GET("/api/grains/{slug}", { params: { path: { slug } } })),
    enabled: slug !== "",
    retry: false,
    staleTime: 300_000,
  });

export interface Asked {
  pot_cm?: number | null;
  by_hours: number | null;
  gluten_free: boolean;
}
export const useCompare = (text: string, corrections: Correction[], asked: Asked) =>
  useQuery({
    queryKey: ["compare", text, corrections, asked],
    queryFn: ({ signal }) => answer(api.POST("/api/compare", { body: { text, corrections, ...asked }, signal })),
    enabled: text.trim() !== "",
    placeholderData: keepPreviousData,
    retry: false,
  });

export interface What {
  pour_ml: number | null;
  minutes: number | null;
  lid: Choice["lid"] | null;
}
export const useWhatIf = (text: string, corrections: Correction[], choice: Choice, what: What) =>
  useQuery({
    queryKey: ["what-if", text, corrections, choice, what],
    queryFn: ({ signal }) =>
      answer(api.POST("/api/what-if", { body: { text, corrections, choice, start: "cold", ...what }, signal })),
    enabled: text.trim() !== "",
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 30_000,
  });

export type Dinner = components["schemas"]["PlanIn"];
export const plannedAs = (dinner: Dinner): string => JSON.stringify({ ...dinner, now: null });
export const usePlan = (dinner: Dinner) =>
  useQuery({
    queryKey: ["plan", dinner],
    // what it is the plan of, whatever the minute: a plan of something else is on its way out
    queryFn: async ({ signal }) => ({
      ...(await answer(api.POST("/api/plan", { body: dinner, signal }))),
      of: plannedAs(dinner),
    }),
    enabled: dinner.dishes.length > 0,
    placeholderData: keepPreviousData,
    retry: false,
  });

export const useRecipes = () =>
  useQuery({
    queryKey: ["recipes"],
    queryFn: ({ signal }) =>
      allPages((page) => answer(api.GET("/api/recipes", { params: { query: { page } }, signal }))),
  });
export const useShifts = () =>
  useQuery({
    queryKey: ["shifts"],
    queryFn: ({ signal }) =>
      allPages((page) => answer(api.GET("/api/shifts", { params: { query: { page } }, signal }))),
  });
export const useKeptShift = (id: number) =>
  useQuery({
    queryKey: ["shifts", id],
    queryFn: () => answer(api.GET("/api/shifts/{shift_id}", { params: { path: { shift_id: id } } })),
    retry: false,
  });

/** What a kitchen is taken to be until it is described. */
export const useUsual = () => useSession().data?.usual;
export const useKitchen = () =>
  useQuery({ queryKey: ["kitchen"], queryFn: () => answer(api.GET("/api/kitchen")), enabled: !useGuest() });
/** An appliance that the kitchen has after all: plan and bench reckon with it at once. */
export const useAppliance = () =>
  useChange("kitchen", (name: string) => answer(api.POST("/api/kitchen/appliances", { body: { name } })));
export const useCookings = () =>
  useQuery({
    queryKey: ["cookings"],
    queryFn: () => answer(api.GET("/api/cookings")),
    staleTime: 0,
    refetchInterval: 4000,
  });

export interface Wanted {
  q: string;
  grain: string;
  pot: string;
  page: number;
}
export const useNotebook = (wanted: Wanted) =>
  useQuery({
    queryKey: ["notebook", wanted],
    queryFn: () => answer(api.GET("/api/notebook", { params: { query: wanted } })),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
export const useLessons = () =>
  useQuery({ queryKey: ["lessons"], queryFn: () => answer(api.GET("/api/lessons")), staleTime: 0 });
export const useLarder = () =>
  useQuery({ queryKey: ["larder"], queryFn: () => answer(api.GET("/api/larder")), staleTime: 0, enabled: !useGuest() });
export const useMembers = () => useQuery({ queryKey: ["members"], queryFn: () => answer(api.GET("/api/members")) });

export const useLeft = () =>
  useQuery({
    queryKey: ["left"],
    queryFn: () => answer(api.GET("/api/left", { params: { query: { zone: zone() } } })),
    staleTime: 0,
    refetchInterval: 60_000,
  });
/** The pages a cooking has written. The last touch may still be on its way to the server: asked again until they are there. */
export const useEntriesOf = (cooking: number) =>
  useQuery({
    queryKey: ["notebook", "cooking", cooking],
    queryFn: () => answer(api.GET("/api/notebook", { params: { query: { cooking } } })),
    staleTime: 0,
    refetchInterval: (query) => (query.state.data?.entries.length || query.state.dataUpdateCount > 20 ? false : 1500),
  });
/** without: a meal that was taken off and may be taken back. */
export const useWeek = (day: string, without: number | undefined) =>
  useQuery({
    queryKey: ["week", day, without],
    queryFn: () => answer(api.GET("/api/week", { params: { query: { day, without } } })),
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
