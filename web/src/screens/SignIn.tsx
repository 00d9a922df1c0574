import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { answer, api } from "../api/client";
import { elsewhere, Field, useSending } from "../ui/Field";
import { Wordmark } from "../ui/Wordmark";
import { Button, Wrong } from "../ui/bits";
import { usual } from "../job/manner";
import { zone } from "../job/days";
import { Try } from "./Try";

type Mode = "in" | "new";

/** On an empty server a household is started first; on one that keeps a household, further ones only where that is wanted. */
export function SignIn({ mayFound, empty }: { mayFound: boolean; empty: boolean }) {
  const client = useQueryClient();
  const [mode, setMode] = useState<Mode>(empty ? "new" : "in");
  const [form, setForm] = useState({ household: "", name: "", password: "" });
  const { submit, trouble, busy, forget } = useSending(async () => {
    const session =
      mode === "in"
        ? await answer(api.POST("/api/session", { body: { name: form.name, password: form.password } }))
        : await answer(
            api.POST("/api/households", { body: { ...form, zone: zone(), manner: usual(navigator.language) } }),
          );
    client.setQueryData(["session"], session);
  });

  const field = (name: keyof typeof form, label: string, type: string, complete: string) => (
    <Field
      name={name}
      label={label}
      type={type}
      autoComplete={complete}
      trouble={trouble}
      value={form[name]}
      onChange={(e) => setForm({ ...form, [name]: e.target.value })}
    />
  );

  return (
    <main className="mx-auto grid max-w-[1180px] items-start gap-x-12 gap-y-8 px-5 py-10 min-[53.75rem]:grid-cols-[minmax(0,1fr)_360px]">
      <div className="order-1 min-w-0">
        <h1 className="mb-5 text-title">
          <Wordmark />
        </h1>
        <p className="max-w-[30ch] font-show text-show leading-[1.08] font-[680] tracking-[-0.02em]">
          Bring a rice recipe. Take it back for millet, barley, quinoa…
        </p>
        <p className="mt-4 max-w-[44ch] text-soft">
          Water, soak, time and every step reckoned anew for your pot, with the reason beside each number.
        </p>
      </div>
      <div className={`min-w-0 min-[53.75rem]:row-start-2 ${empty ? "order-2" : "order-3"}`}>
        <Try />
      </div>
      <form
        onSubmit={submit}
        className={`space-y-4 rounded-sheet border border-line bg-sheet p-6 min-[53.75rem]:sticky min-[53.75rem]:top-6 min-[53.75rem]:col-start-2 min-[53.75rem]:row-start-1 min-[53.75rem]:row-span-2 ${empty ? "order-3" : "order-2"}`}
        noValidate
      >
        <h2 className="text-head">{mode === "in" ? "Sign in" : "Start a household"}</h2>
        {mode === "new" && field("household", "Your household", "text", "organization")}
        {field("name", "Your name here", "text", "username")}
        {field("password", "Password", "password", mode === "in" ? "current-password" : "new-password")}
        <Wrong trouble={elsewhere(trouble, ...Object.keys(form))} />
        <Button kind="main" type="submit" disabled={busy} className="w-full min-h-12">
          {mode === "in" ? "Sign in" : "Start"}
        </Button>
        {mayFound && !empty ? (
          <Button
            kind="quiet"
            className="w-full"
            onClick={() => {
              setMode(mode === "in" ? "new" : "in");
              forget();
            }}
          >
            {mode === "in" ? "New here? Start a household" : "Have one already? Sign in"}
          </Button>
        ) : (
          <p className="text-small text-soft">
            {empty
              ? "Nobody cooks here yet: yours is the first household."
              : "New here? Ask somebody of this household for an invitation."}
          </p>
        )}
      </form>
    </main>
  );
}
