import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, beforeEach, expect, it, vi } from "vitest";
import { settle, useTold } from "../../ui/gone";
import { Devices } from "./Devices";

let sent: { method: string; path: string; body: unknown }[] = [];
beforeEach(() => {
  sent = [];
  vi.stubGlobal("fetch", async (r: Request) => {
    const body: unknown = r.method === "POST" ? await r.json() : null;
    sent.push({ method: r.method, path: new URL(r.url).pathname, body });
    return new Response(JSON.stringify({ id: 8, name: "oven probe", kind: "probe", key: "k-e-y" }), {
      status: r.method === "POST" ? 201 : 200,
      headers: { "Content-Type": "application/json" },
    });
  });
});
afterEach(async () => {
  await settle();
  vi.unstubAllGlobals();
});
function Undo() {
  const told = useTold();
  return (
    <button type="button" onClick={() => told?.undo?.()}>
      Undo
    </button>
  );
}
const show = () =>
  render(
    <QueryClientProvider client={new QueryClient()}>
      <Devices devices={[{ id: 3, name: "bench scale", kind: "scale" }]} />
      <Undo />
    </QueryClientProvider>,
  );

it("a probe is added by touch, and its key is shown once", async () => {
  show();
  await userEvent.type(screen.getByRole("textbox"), "oven probe");
  await userEvent.click(screen.getByRole("radio", { name: "a probe" }));
  await userEvent.click(screen.getByRole("button", { name: "Add it" }));
  expect(await screen.findByText("k-e-y")).toBeVisible();
  expect(sent[0]).toEqual({
    method: "POST",
    path: "/api/kitchen/devices",
    body: { name: "oven probe", kind: "probe" },
  });
  expect(screen.getByRole("textbox")).toHaveValue("");
});

it("one taken off is out of sight at once, and the server is told only when it is meant", async () => {
  show();
  await userEvent.click(screen.getByRole("button", { name: "Take it off" }));
  expect(screen.queryByText("bench scale")).toBeNull();
  await userEvent.click(screen.getByRole("button", { name: "Undo" }));
  expect(screen.getByText("bench scale")).toBeVisible();
  await userEvent.click(screen.getByRole("button", { name: "Take it off" }));
  expect(sent).toEqual([]);
  await settle();
  expect(sent.map((s) => [s.method, s.path])).toEqual([["DELETE", "/api/kitchen/devices/3"]]);
});
