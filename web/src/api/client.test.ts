import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { answer, api, asTrouble, sendFile, TroubleError } from "./client";
import { serve } from "../test-kit";

const TROUBLE = { code: "servings", where: "servings", text: "Say for how many, 1 to 100." };
beforeEach(() => {
  document.cookie = "csrftoken=a-token-of-the-house";
});
afterEach(() => {
  document.cookie = "csrftoken=; expires=Thu, 01 Jan 1970 00:00:00 GMT";
  vi.unstubAllGlobals();
});

it("sends the token with every change, and with no look", async () => {
  const asked = serve({ "GET /api/larder": [] });
  await answer(api.GET("/api/larder"));
  await answer(api.POST("/api/larder", { body: { line: "500 g quinoa" } }));
  await answer(api.DELETE("/api/lessons"));
  expect(asked.map((a) => [a.method, a.token])).toEqual([
    ["GET", null],
    ["POST", "a-token-of-the-house"],
    ["DELETE", "a-token-of-the-house"],
  ]);
});

it("throws a refusal as the trouble it says, with its status", async () => {
  serve({ "GET /api/larder": { status: 422, trouble: TROUBLE } });
  const fault: unknown = await answer(api.GET("/api/larder")).catch((f: unknown) => f);
  expect(fault).toBeInstanceOf(TroubleError);
  expect(fault).toMatchObject({ status: 422, trouble: TROUBLE, message: TROUBLE.text });
  expect(asTrouble(fault)).toEqual(TROUBLE);
});

it("says one sentence for a server that is not there, or answers what is none of its own", async () => {
  vi.stubGlobal("fetch", () => Promise.reject(new TypeError("no network")));
  expect(await answer(api.GET("/api/larder")).catch((f: unknown) => f)).toMatchObject({
    status: 0,
    trouble: { code: "unreached" },
  });
  vi.stubGlobal("fetch", () =>
    Promise.resolve(new Response("<h1>Bad gateway</h1>", { status: 502, headers: { "Content-Type": "text/html" } })),
  );
  expect(await answer(api.GET("/api/larder")).catch((f: unknown) => f)).toMatchObject({
    status: 502,
    trouble: { code: "unreached" },
  });
});

it("lets what was called off be called off, and calls a fault of its own by its name", async () => {
  vi.stubGlobal("fetch", () => Promise.reject(new DOMException("off", "AbortError")));
  expect(await answer(api.GET("/api/larder")).catch((f: unknown) => f)).toMatchObject({ name: "AbortError" });
  // only what the page itself called off: a call that timed out was not answered
  vi.stubGlobal("fetch", () => Promise.reject(new DOMException("late", "TimeoutError")));
  expect(await answer(api.GET("/api/larder")).catch((f: unknown) => f)).toBeInstanceOf(TroubleError);
  expect(asTrouble(new Error("a slip"))).toMatchObject({ code: "fault" });
  expect(asTrouble(null)).toBeNull();
});

/** What a browser's upload does, as far as sendFile asks of it. */
class Upload {
  static last: Upload;
  upload: { onprogress?: (e: { lengthComputable: boolean; loaded: number; total: number }) => void } = {};
  headers: Record<string, string> = {};
  status = 200;
  response: unknown = null;
  responseType = "";
  onload: () => void = () => undefined;
  onerror: () => void = () => undefined;
  constructor() {
    Upload.last = this;
  }
  open(): void {}
  setRequestHeader(name: string, value: string): void {
    this.headers[name] = value;
  }
  send(): void {}
}

it("tells how much of a file is on its way, and ends with the answer or the trouble", async () => {
  vi.stubGlobal("XMLHttpRequest", Upload);
  const shares: number[] = [];
  const send = () => sendFile<{ recipes: number }>("/api/restore" as never, new FormData(), (s) => shares.push(s));
  const good = send();
  Upload.last.upload.onprogress?.({ lengthComputable: true, loaded: 25, total: 100 });
  Upload.last.upload.onprogress?.({ lengthComputable: false, loaded: 50, total: 0 });
  Upload.last.response = { recipes: 4 };
  Upload.last.onload();
  expect(await good).toEqual({ recipes: 4 });
  expect(shares).toEqual([0.25]);
  expect(Upload.last.headers).toEqual({ "X-CSRFToken": "a-token-of-the-house" });
  const refused = send();
  Object.assign(Upload.last, { status: 422, response: TROUBLE }).onload();
  expect(await refused.catch((f: unknown) => f)).toMatchObject({ status: 422, trouble: TROUBLE });
  const lost = send();
  Upload.last.onerror();
  expect(await lost.catch((f: unknown) => f)).toMatchObject({ status: 0, trouble: { code: "unreached" } });
});
