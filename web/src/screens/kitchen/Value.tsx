import { useState, type ReactNode } from "react";
import type { Trouble } from "../../api/client";
import { Button, Wrong } from "../../ui/bits";
import { Pop } from "../../ui/Pop";

/** A value that stands on the drawing: touch it, write another. save says what is wrong with it, or null. */
export function Value({
  label,
  unit,
  value,
  trigger,
  save,
  children,
  help,
}: {
  label: string;
  unit: string;
  value: string;
  trigger: ReactNode;
  save: (text: string) => Promise<Trouble | null>;
  children?: (close: () => void) => ReactNode;
  help?: string;
}) {
  const [open, setOpen] = useState(false);
  const [text, setText] = useState(value);
  const [trouble, setTrouble] = useState<Trouble | null>(null);
  const turn = (to: boolean) => {
    setOpen(to);
    setText(value);
    setTrouble(null);
  };
  const done = async () => {
    const wrong = await save(text);
    setTrouble(wrong);
    if (!wrong) setOpen(false);
  };
  return (
    <Pop label={label} trigger={trigger} open={open} onOpen={turn}>
      <form
        onSubmit={(e) => {
          e.preventDefault();
          void done();
        }}
      >
        <label className="block text-small font-semibold">
          {label}
          <span className="mt-1 flex items-center gap-2">
            <input
              value={text}
              aria-invalid={trouble !== null}
              onChange={(e) => setText(e.target.value)}
              className="figures min-h-12 min-w-0 flex-1 rounded-key border border-line bg-quiet px-3 text-lead font-normal aria-[invalid=true]:border-warn"
            />
            <span className="text-soft">{unit}</span>
            <Button kind="main" type="submit" className="min-h-12">
              Set it
            </Button>
          </span>
        </label>
        {help && <p className="mt-2 text-small text-soft">{help}</p>}
        <Wrong trouble={trouble} className="mt-2" />
      </form>
      {children?.(() => setOpen(false))}
    </Pop>
  );
}

export const noNumber = (text: string, where: string): Trouble => ({
  code: "number",
  where,
  text: `“${text}” is no number; write one, such as 20.`,
});
