import { useMutation } from "@tanstack/react-query";
import { useId, useState, type FormEvent } from "react";
import { useNavigate } from "../../ui/route";
import { answer, api, asTrouble, type Choice } from "../../api/client";
import { useGrains } from "../../api/queries";
import { Button, Wrong } from "../../ui/bits";
import { bring, choice as choiceStore, FIRST_CHOICE } from "../draft";

type Texture = "separate" | "fluffy" | "moist" | "soft" | "porridge" | "thin";
const FIRST = "quinoa";
const FIELD = "min-h-12 rounded-key border border-line bg-sheet px-3 text-body";

/** No recipe: an amount of a grain, and how it is to come out. On the bench it is a dish like any other. grain: the one it is about, where the page is its own; from: the bag it comes out of. */
export function JustAPot({
  grain,
  amount: first = "1 cup",
  from = {},
}: {
  grain?: string;
  amount?: string;
  from?: Partial<Choice>;
}) {
  const grains = useGrains();
  const [picked, setPicked] = useState(FIRST);
  const [amount, setAmount] = useState(first);
  const [texture, setTexture] = useState<Texture | "">("");
  const go = useNavigate();
  const id = useId();
  const slug = grain ?? picked;
  const row = grains.data?.find((g) => g.slug === slug);
  const make = useMutation({
    mutationFn: () =>
      answer(
        api.POST("/api/grains/{slug}/alone", {
          params: { path: { slug } },
          body: { amount, texture: texture || null },
        }),
      ),
    onSuccess: ({ text, corrections }) => {
      const { pot_cm, pot_id } = choiceStore.get();
      bring(text, null, corrections);
      choiceStore.set({ ...FIRST_CHOICE, pot_cm, pot_id, ...from, to: slug });
      go("/bench");
    },
  });
  const trouble = asTrouble(make.error);
  const send = (event: FormEvent) => {
    event.preventDefault();
    make.mutate();
  };
  return (
    <form onSubmit={send} className="flex flex-wrap items-end gap-x-2.5 gap-y-3" aria-label="Just a pot" noValidate>
      <label className="flex flex-col gap-1 text-small text-soft">
        how much
        <input
          value={amount}
          onChange={(e) => setAmount(e.target.value)}
          maxLength={60}
          className={`${FIELD} w-28 text-ink`}
          aria-invalid={trouble?.where === "amount"}
          aria-describedby={trouble ? id : undefined}
        />
      </label>
      {!grain && (
        <label className="flex min-w-[200px] flex-1 flex-col gap-1 text-small text-soft">
          of what
          <select
            value={picked}
            onChange={(e) => {
              setPicked(e.target.value);
              setTexture("");
            }}
            className={`${FIELD} w-full text-ink`}
          >
            {[...(grains.data ?? [])]
              .sort((a, b) => a.name.localeCompare(b.name))
              .map((g) => (
                <option key={g.slug} value={g.slug}>
                  {g.name}
                </option>
              ))}
          </select>
        </label>
      )}
      <label className="flex flex-col gap-1 text-small text-soft">
        how it comes out
        <select
          value={texture}
          onChange={(e) => setTexture(e.target.value as Texture | "")}
          className={`${FIELD} text-ink`}
        >
          <option value="">as usual</option>
          {row?.textures.map((t, i) => (
            <option key={t} value={t}>
              {row.texture_words[i]}
            </option>
          ))}
        </select>
      </label>
      <Button kind="main" type="submit" className="min-h-12" disabled={make.isPending}>
        Reckon the pot
      </Button>
      <Wrong trouble={trouble} id={id} className="w-full" />
    </form>
  );
}
