import { afterEach, expect, test, vi } from "vitest";
import { keepShell } from "./shell";

afterEach(() => {
  vi.unstubAllEnvs();
  vi.unstubAllGlobals();
});

test("the page that is put by is asked for without a cookie, so that its answer takes no session away", async () => {
  const add = vi.fn();
  vi.stubEnv("PROD", true);
  vi.stubGlobal("navigator", { serviceWorker: { register: vi.fn(), ready: Promise.resolve() } });
  vi.stubGlobal("caches", { open: () => Promise.resolve({ add }) });
  vi.stubGlobal(
    "Request",
    class {
      constructor(
        readonly url: string,
        readonly init: RequestInit,
      ) {}
    },
  );
  keepShell();
  await vi.waitFor(() => expect(add).toHaveBeenCalledOnce());
  expect(add.mock.calls[0]).toEqual([{ url: "/", init: { credentials: "omit" } }]);
});
