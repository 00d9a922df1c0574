import { useEffect, useId, useRef, useState, type FormEvent, type InputHTMLAttributes } from "react";
import { asTrouble, type Trouble } from "../api/client";
import { Wrong } from "./bits";

/** One line one writes into, with its label, and what is wrong with it right below. The server names the field by `where`; the cursor goes there. */
export function Field({
  label,
  name,
  trouble,
  className = "",
  ...input
}: { label: string; name: string; trouble: Trouble | null } & InputHTMLAttributes<HTMLInputElement>) {
  const mine = trouble?.where === name ? trouble : null;
  const at = useRef<HTMLInputElement>(null);
  const id = useId();
  useEffect(() => {
    if (mine) at.current?.focus();
  }, [mine]);
  return (
    <div className={className}>
      <label className="block text-small font-semibold">
        {label}
        <input
          ref={at}
          name={name}
          aria-invalid={mine !== null}
          aria-describedby={mine ? id : undefined}
          className="mt-1 min-h-12 w-full rounded-key border border-line bg-quiet px-3 text-body font-normal aria-[invalid=true]:border-warn"
          {...input}
        />
      </label>
      <Wrong trouble={mine} id={id} className="mt-1.5" />
    </div>
  );
}

/** What is wrong with none of these fields: it stands at the form's end. */
export const elsewhere = (trouble: Trouble | null, ...fields: string[]): Trouble | null =>
  trouble && fields.includes(trouble.where) ? null : trouble;

/** A form at a door, before the house and what it loads are there: sends, and says what was wrong with it. */
export function useSending(send: () => Promise<unknown>) {
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const [busy, setBusy] = useState(false);
  const submit = (event: FormEvent) => {
    event.preventDefault();
    setBusy(true);
    setTrouble(null);
    send()
      .catch((fault: unknown) => setTrouble(asTrouble(fault)))
      .finally(() => setBusy(false));
  };
  return { submit, trouble, busy, forget: () => setTrouble(null) };
}
