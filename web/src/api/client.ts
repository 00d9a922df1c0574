import createClient, { type Middleware } from "openapi-fetch";
import type { components, paths } from "./schema";

type S = components["schemas"];
export type Reading = S["Reading"];
export type ReadLine = S["ReadLine"];
export type Doubt = S["DoubtRow"];
export type ReadClass = S["ReadClass"];
export type Role = ReadLine["role"];
export type Correction = S["CorrectionIn"];
export type Choice = S["ChoiceIn"];
export type Shift = S["Shifted"];
export type Pot = S["PotShown"];
export type Contents = S["Jug"];
export type KeptShift = S["KeptShift"];
export type Grain = S["GrainShown"];
export type CompareRow = S["CompareRow"];
export type Run = S["RunRow"];
export type GrainPage = S["GrainPage"];
export type School = S["SchoolRow"];
export type Plan = S["PlanOut"];
export type PlanTask = S["PlanTask"];
export type ShiftRow = S["ShiftRow"];
export type PlanWay = S["WayOutOut"];
export type PlanChanges = S["Changes"];
export type Kitchen = S["KitchenOut"];
export type KitchenPot = S["PotRow"];
export type BoilOff = S["BoilOffOut"];
export type CookingInfo = S["CookingOut"];
export type CookingRow = S["CookingRow"];
export type CookState = S["CookState"];
export type CookStep = S["CookStep"];
export type CookPot = S["CookPot"];
export type Rescue = S["Mend"];
export type TonightPlan = S["TonightPlan"];
export type Tonight = S["DishTonight"];
export type Entry = S["EntryRow"];
export type Lessons = S["LessonsOut"];
export type Lesson = S["LessonOut"];
export type LeftOver = S["LeftRow"];
export type Week = S["WeekOut"];
export type WeekMeal = S["MealRow"];
export type TrainingTask = S["TrainingOut"];
export type Judged = S["JudgedOut"];
export type Bag = S["BagRow"];
export type Member = S["MemberRow"];
export type Session = S["SessionOut"];
export type Restored = S["RestoreOut"];
export type Trouble = S["Trouble"];
export type Problem = S["ProblemRow"];

/** What the server refused: one sentence for the cook, and the field it belongs to. */
export class TroubleError extends Error {
  constructor(
    readonly trouble: Trouble,
    readonly status: number,
  ) {
    super(trouble.text);
  }
}

const csrfToken = () => /(?:^|; )csrftoken=([^;]+)/.exec(document.cookie)?.[1];

const csrf: Middleware = {
  onRequest({ request }) {
    const token = csrfToken();
    if (token && request.method !== "GET") request.headers.set("X-CSRFToken", token);
    return request;
  },
};

export const api = createClient<paths>({
  baseUrl: window.location.origin,
  fetch: (request) => globalThis.fetch(request),
});
api.use(csrf);

const UNREACHED: Trouble = {
  code: "unreached",
  where: "",
  text: "The kitchen's server does not answer: what you typed stays here; try again in a moment.",
};

function isTrouble(value: unknown): value is Trouble {
  return typeof value === "object" && value !== null && "text" in value && "code" in value;
}

/** The data of an answer, or the trouble thrown. */
export async function answer<T>(call: Promise<{ data?: T; error?: unknown; response: Response }>): Promise<T> {
  let got: { data?: T; error?: unknown; response: Response };
  try {
    got = await call;
  } catch (fault) {
    if (fault instanceof DOMException && fault.name === "AbortError") throw fault;
    throw new TroubleError(UNREACHED, 0);
  }
  if (!got.response.ok) throw new TroubleError(isTrouble(got.error) ? got.error : UNREACHED, got.response.status);
  return got.data as T;
}

export const asTrouble = (fault: unknown): Trouble | null =>
  fault instanceof TroubleError
    ? fault.trouble
    : fault
      ? { code: "fault", where: "", text: "Something went wrong here: reload the page; what is kept is safe." }
      : null;

/** Sends a form with a file, telling how much of it is on its way (0 to 1); the answer's data, or the trouble thrown. fetch cannot tell. */
export function sendFile<T>(path: keyof paths, form: FormData, onSent: (share: number) => void): Promise<T> {
  return new Promise((resolve, reject) => {
    const call = new XMLHttpRequest();
    call.open("POST", path);
    call.responseType = "json";
    const token = csrfToken();
    if (token) call.setRequestHeader("X-CSRFToken", token);
    call.upload.onprogress = (e) => {
      if (e.lengthComputable) onSent(e.loaded / e.total);
    };
    call.onerror = () => reject(new TroubleError(UNREACHED, 0));
    call.onload = () => {
      if (call.status < 300) resolve(call.response as T);
      else reject(new TroubleError(isTrouble(call.response) ? call.response : UNREACHED, call.status));
    };
    call.send(form);
  });
}
