import { QueryClient, QueryClientProvider } from "@tanstack/react-query";
import { render, screen, waitFor } from "@testing-library/react";
import userEvent from "@testing-library/user-event";
import { beforeEach, describe, expect, it, vi } from "vitest";
import { House } from "./House";

/** What the house answers: path and method → status and body; everything that was sent. */
let answers: Record<string, [number, unknown]> = {};
const sent: { at: string; body: unknown }[] = [];

beforeEach(() => {
  sent.length = 0;
  answers = {
    "GET /api/session": [
      200,
      {
        member: "wren",
        household: "The Kettle House",
        zone: "UTC",
        demo: false,
        manner: { amounts: "", heat: "", clock: "" },
      },
    ],
    "GET /api/members": [
      200,
      [
        { id: 1, name: "wren", me: true },
        { id: 2, name: "sorrel", me: false },
      ],
    ],
  };
  vi.stubGlobal("fetch", async (request: Request) => {
    const at = `${request.method} ${new URL(request.url).pathname}`;
    const told = await request.clone().text();
    sent.push({ at, body: told ? (JSON.parse(told) as unknown) : null });
    const [status, body] = answers[at] ?? [200, []];
    return new Response(status === 204 ? null : JSON.stringify(body), {
      status,
      headers: { "Content-Type": "application/json" },
    });
  });
});

const shown = () => {
  render(
    <QueryClientProvider client={new QueryClient({ defaultOptions: { queries: { retry: false } } })}>
      <House />
    </QueryClientProvider>,
  );
  return userEvent.setup();
};

describe("what is wrong stands at its field, keeps what was typed, and has the cursor", () => {
  it("a wrong own password, at the end of the household", async () => {
    answers["POST /api/household/delete"] = [
      422,
      {
        code: "own_password",
        where: "own_password",
        text: "That is not your password: type the one you sign in with.",
      },
    ];
    const user = shown();
    await user.click(await screen.findByRole("button", { name: "Delete it" }));
    await user.type(screen.getByLabelText(/^Type its name/), "The Kettle House");
    await user.type(screen.getByLabelText("Your password"), "wrong-kettles");
    await user.click(screen.getByRole("button", { name: "Delete it for good" }));
    const password = screen.getByLabelText("Your password");
    await waitFor(() => expect(password).toHaveAttribute("aria-invalid", "true"));
    expect(password).toHaveFocus();
    expect(password).toHaveValue("wrong-kettles");
    expect(password).toHaveAccessibleDescription(/not your password/);
    expect(screen.getByLabelText(/^Type its name/)).toHaveAttribute("aria-invalid", "false");
    expect(sent.find((s) => s.at === "POST /api/household/delete")?.body).toEqual({
      own_password: "wrong-kettles",
      name: "The Kettle House",
    });
  });

  it("a new password that is too short, for another member", async () => {
    answers["PUT /api/members/2/password"] = [
      422,
      { code: "password", where: "password", text: "At least ten letters." },
    ];
    const user = shown();
    const [, hers] = await screen.findAllByRole("button", { name: "New password" });
    if (hers) await user.click(hers);
    await user.type(screen.getByLabelText("Your own password now"), "seven-kettles");
    await user.type(screen.getByLabelText("New password for sorrel"), "tea");
    await user.click(screen.getByRole("button", { name: "Set it" }));
    const fresh = screen.getByLabelText("New password for sorrel");
    await waitFor(() => expect(fresh).toHaveAccessibleDescription("At least ten letters."));
    expect(fresh).toHaveFocus();
    expect(screen.getByLabelText("Your own password now")).toHaveAttribute("aria-invalid", "false");
    expect(screen.getAllByRole("alert")).toHaveLength(1);
  });
});
