import { useQueryClient } from "@tanstack/react-query";
import { useState } from "react";
import { useNavigate, useParams } from "../../ui/route";
import { answer, api } from "../../api/client";
import { elsewhere, Field, useSending } from "../../ui/Field";
import { Wordmark } from "../../ui/Wordmark";
import { Button, Wrong } from "../../ui/bits";

/** The door an invitation opens, once. */
export function Join() {
  const { token = "" } = useParams();
  const client = useQueryClient();
  const go = useNavigate();
  const [form, setForm] = useState({ name: "", password: "" });
  const { submit, trouble, busy } = useSending(async () => {
    await answer(api.POST("/api/join", { body: { token, ...form } }));
    await client.resetQueries();
    go("/bring");
  });
  const field = (name: keyof typeof form, label: string, type: string, complete: string) => (
    <Field
      className="mt-4"
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
    <main className="mx-auto max-w-[440px] px-5 py-12">
      <p className="mb-6">
        <Wordmark />
      </p>
      <h1 className="text-title">You are asked in</h1>
      <p className="mt-1 text-soft">
        Choose a name and a password of your own; recipes, pots and notebook are shared by the house.
      </p>
      <form onSubmit={submit} noValidate>
        {field("name", "Your name here", "text", "username")}
        {field("password", "Password", "password", "new-password")}
        <Wrong trouble={elsewhere(trouble, ...Object.keys(form))} className="mt-4" />
        <Button kind="main" type="submit" disabled={busy} className="mt-5 min-h-12 w-full">
          Come in
        </Button>
      </form>
    </main>
  );
}
