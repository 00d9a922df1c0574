import { useQueryClient } from "@tanstack/react-query";
import { useState, type FormEvent } from "react";
import { useNavigate, useParams } from "../../ui/route";
import { answer, api, asTrouble, type Trouble } from "../../api/client";
import { Wordmark } from "../../ui/Wordmark";
import { Button, Wrong } from "../../ui/bits";

/** The door an invitation opens, once. */
export function Join() {
  const { token = "" } = useParams();
  const client = useQueryClient();
  const go = useNavigate();
  const [form, setForm] = useState({ name: "", password: "" });
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const send = async (event: FormEvent) => {
    event.preventDefault();
    try {
      await answer(api.POST("/api/join", { body: { token, ...form } }));
      await client.resetQueries();
      go("/bring");
    } catch (fault) {
      setTrouble(asTrouble(fault));
    }
  };
  const field = (name: keyof typeof form, label: string, type: string, complete: string) => (
    <label className="mt-4 block">
      <span className="mb-1 block text-small font-semibold">{label}</span>
      <input type={type} value={form[name]} autoComplete={complete} aria-invalid={trouble?.where === name} onChange={(e) => setForm({ ...form, [name]: e.target.value })} className="min-h-12 w-full rounded-key border border-line bg-sheet px-3 text-body aria-[invalid=true]:border-warn" />
      {trouble?.where === name && <Wrong trouble={trouble} className="mt-1.5" />}
    </label>
  );
  return (
    <main className="mx-auto max-w-[440px] px-5 py-12">
      <p className="mb-6">
        <Wordmark />
      </p>
      <h1 className="text-title">You are asked in</h1>
      <p className="mt-1 text-soft">Choose a name and a password of your own; recipes, pots and notebook are shared by the house.</p>
      <form onSubmit={(e) => void send(e)} noValidate>
        {field("name", "Your name here", "text", "username")}
        {field("password", "Password", "password", "new-password")}
        {trouble && !(trouble.where in form) && <Wrong trouble={trouble} className="mt-4" />}
        <Button kind="main" type="submit" className="mt-5 min-h-12 w-full">
          Come in
        </Button>
      </form>
    </main>
  );
}
