import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { afterEach, describe, expect, it, vi } from "vitest";
import { SignIn } from "./SignIn";

const show = (mayFound: boolean, empty: boolean) => {
  const client = new QueryClient();
  render(
    <QueryClientProvider client={client}>
      <SignIn mayFound={mayFound} empty={empty} />
    </QueryClientProvider>,
  );
  return client;
};
const tried = {
  text: "Pot\n200 g rice",
  title: "Pot",
  rows: [
    ["foxtail-millet", "foxtail millet"],
    ["quinoa", "quinoa"],
  ].map(([grain, name], i) => ({ grain, name, family: "millet", pour_ml: 300 + 50 * i, cook_min: 14, rest_min: 10 })),
  becomes: "Pot, in foxtail millet",
  ingredients: ["210 g foxtail millet"],
  steps: ["Simmer 14 minutes."],
  asked: 1,
};
let asked: unknown[] = [];
const answers = (status: number, body: unknown) => {
  asked = [];
  vi.stubGlobal(
    "fetch",
    vi.fn(async (r: Request) => {
      const trying = new URL(r.url).pathname === "/api/try";
      if (trying) asked.push(await r.json());
      return new Response(JSON.stringify(trying ? tried : body), {
        status: trying ? 200 : status,
        headers: { "Content-Type": "application/json" },
      });
    }),
  );
};

describe("the door", () => {
  afterEach(() => vi.unstubAllGlobals());

  it("shifts a recipe before it asks for anything, another grain by one touch", async () => {
    answers(200, {});
    show(true, true);
    expect(await screen.findByRole("heading", { name: "Pot, in foxtail millet" })).toBeTruthy();
    await userEvent.click(screen.getByRole("button", { name: /quinoa/ }));
    const box = screen.getByRole("textbox", { name: /An example/ });
    await userEvent.clear(box);
    await userEvent.type(box, "Mine");
    await vi.waitFor(
      () =>
        expect(asked).toEqual([
          { text: "", to: "foxtail-millet" },
          { text: "", to: "quinoa" },
          { text: "Mine", to: "quinoa" },
        ]),
      { timeout: 3000 },
    );
  });

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
