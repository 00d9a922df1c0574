import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { SignIn } from "./SignIn";

const show = (mayFound: boolean, empty: boolean) => {
  const client = new QueryClient();
  render(<QueryClientProvider client={client}><SignIn mayFound={mayFound} empty={empty} /></QueryClientProvider>);
  return client;
};
const answers = (status: number, body: unknown) =>
  vi.stubGlobal("fetch", vi.fn(() => Promise.resolve(new Response(JSON.stringify(body), { status, headers: { "Content-Type": "application/json" } }))));

describe("the door", () => {
  afterEach(() => vi.unstubAllGlobals());

  it("starts a household on an empty server, and offers none where one is kept", () => {
    show(true, true);
    expect(screen.getByRole("heading", { name: "Start a household" })).toBeTruthy();
    expect(screen.queryByRole("button", { name: /Sign in/ })).toBeNull();
  });

  it("asks for an invitation on a server that keeps its household", () => {
    show(false, false);
    expect(screen.getByRole("heading", { name: "Sign in" })).toBeTruthy();
    expect(screen.queryByRole("button", { name: /Start a household/ })).toBeNull();
    expect(screen.getByText(/Ask somebody of this household/)).toBeTruthy();
  });

  it("says what is wrong at its field and loses nothing typed; what fits signs in", async () => {
    const user = userEvent.setup();
    const client = show(true, false);
    answers(422, { code: "sign_in", where: "password", text: "That name and password do not fit together." });
    await user.type(screen.getByLabelText("Your name here"), "wren");
    await user.type(screen.getByLabelText("Password"), "seven-kettles");
    await user.click(screen.getByRole("button", { name: "Sign in" }));
    expect((await screen.findByRole("alert")).textContent).toContain("do not fit");
    expect(screen.getByLabelText<HTMLInputElement>("Your name here").value).toBe("wren");
    expect(screen.getByLabelText("Password").getAttribute("aria-invalid")).toBe("true");
    answers(200, { signed_in: true, name: "wren" });
    await user.click(screen.getByRole("button", { name: "Sign in" }));
    await vi.waitFor(() => expect(client.getQueryData(["session"])).toMatchObject({ signed_in: true }));
  });
});
