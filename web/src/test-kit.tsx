import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render } from "@testing-library/react";
import type { ReactNode } from "react";
import { vi } from "vitest";

/** What a page asked of the server, in order. */
export interface Asked {
  method: string;
  path: string;
  body: unknown;
  token: string | null;
}
/** The answer to a request: data; or status and trouble. */
type Answer = unknown | { status: number; trouble: { code: string; where: string; text: string } };

const refusal = (a: unknown): a is { status: number; trouble: object } =>
  typeof a === "object" && a !== null && "trouble" in a;

/** A stand-in for the server: by "GET /api/larder", what it answers, or what makes the answer of the body. What has no row is answered with {}. */
export function serve(rows: Record<string, Answer | ((body: never, path: string) => Answer)>): Asked[] {
  const asked: Asked[] = [];
  vi.stubGlobal("fetch", async (r: Request) => {
    const path = new URL(r.url).pathname;
    const text = r.method === "GET" ? "" : await r.text();
    const body: unknown = text.startsWith("{") ? JSON.parse(text) : text || null;
    asked.push({ method: r.method, path, body, token: r.headers.get("X-CSRFToken") });
    const found = rows[`${r.method} ${path}`];
    const got: unknown =
      typeof found === "function" ? (found as (b: unknown, p: string) => unknown)(body, path) : (found ?? {});
    const headers = { "Content-Type": "application/json" };
    return refusal(got)
      ? new Response(JSON.stringify(got.trouble), { status: got.status, headers })
      : new Response(JSON.stringify(got), { headers });
  });
  return asked;
}

export const show = (what: ReactNode) =>
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      {what}
    </QueryClientProvider>,
  );

/** What was changed, without what was only looked at. */
export const changes = (asked: readonly Asked[]) =>
  asked.filter((a) => a.method !== "GET").map((a) => ({ do: `${a.method} ${a.path}`, body: a.body }));

/** Where the page has gone. */
export const here = (): string => window.location.pathname;
