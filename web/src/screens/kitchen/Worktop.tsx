import type { ReactNode } from "react";
import type { Kitchen } from "../../api/client";
import { useUsual } from "../../api/queries";
import { decimal } from "../../job/manner";
import { typedNumber } from "../../job/typed";
import { said, shown, typed, unitOf } from "../../job/rim";
import { Picture } from "../../job/Picture";
import { Sheet } from "../../ui/bits";
import { noNumber, Value } from "./Value";
import type { Change, Put } from "./change";

/** What stands on the worktop: touch what you have. Its number stands under it, to be touched too. */
export function Worktop({ kitchen: k, put }: { kitchen: Kitchen; put: Put }) {
  const usual = useUsual();
  const number = (
    key: "whistle_min" | "microwave_w" | "jar_ml",
    label: string,
    unit: string,
    words: string,
    help: string,
  ) => (
    <Value
      label={label}
      unit={unit}
      value={key === "jar_ml" ? shown("water", k.jar_ml) : decimal(k[key] ?? 0)}
      help={help}
      save={async (text) => {
        const n = key === "jar_ml" ? typed("water", text, k.jar_ml) : typedNumber(text);
        return Number.isFinite(n) ? put({ [key]: n } as Change) : noNumber(text, key);
      }}
      trigger={
        <button
          type="button"
          className="min-h-11 rounded-key px-2 text-center text-small font-semibold leading-tight text-water hover:underline"
        >
          {words}
        </button>
      }
    />
  );
  return (
    <Sheet className="p-5" aria-label="Worktop">
      <h2 className="mb-2 text-lead">Touch what you have</h2>
      <ul className="m-0 grid list-none grid-cols-[repeat(auto-fill,minmax(124px,1fr))] gap-2 p-0">
        <Thing picture="rice-cooker" word="Rice cooker" has={k.rice_cooker} turn={(has) => put({ rice_cooker: has })} />
        <Thing
          picture="pressure"
          word="Pressure cooker"
          has={k.pressure_cooker}
          turn={(has) => put({ pressure_cooker: has })}
        >
          {number(
            "whistle_min",
            "A whistle stands for",
            "min",
            `a whistle: ${decimal(k.whistle_min)} min`,
            "Minutes at pressure that one whistle is worth; the notebook learns it too.",
          )}
        </Thing>
        <Thing
          picture="electric-pressure"
          word="Electric pressure cooker"
          has={k.electric_pressure}
          turn={(has) => put({ electric_pressure: has })}
        />
        <Thing
          picture="slow-cooker"
          word="Slow cooker"
          has={k.slow_cooker ?? false}
          turn={(has) => put({ slow_cooker: has })}
        />
        <Thing
          picture="microwave"
          word="Microwave"
          has={k.microwave_w != null}
          turn={(has) => put({ microwave_w: has ? (usual?.microwave_w ?? null) : null })}
        >
          {number(
            "microwave_w",
            "The microwave gives",
            "W",
            `gives ${k.microwave_w ?? 0} W`,
            "Its output, as it stands on its back or in its manual.",
          )}
        </Thing>
        <li className="grid content-start justify-items-center">
          <span className="grid w-full justify-items-center rounded-key px-1 py-2 text-center text-small leading-tight">
            <Picture of="jar" className="mb-1 h-16 w-20" />
            Grinder
          </span>
          {number(
            "jar_ml",
            "The grinder’s jar holds",
            unitOf("water"),
            `its jar: ${said("water", k.jar_ml)}`,
            "A third of it is filled for one batch of meal.",
          )}
        </li>
      </ul>
    </Sheet>
  );
}

function Thing({
  picture,
  word,
  has,
  turn,
  children,
}: {
  picture: string;
  word: string;
  has: boolean;
  turn: (has: boolean) => Promise<unknown>;
  children?: ReactNode;
}) {
  return (
    <li className="grid content-start justify-items-center">
      <button
        type="button"
        aria-pressed={has}
        onClick={() => void turn(!has)}
        className={`grid w-full justify-items-center rounded-key border px-1 py-2 text-center text-small leading-tight ${has ? "border-ink font-bold text-ink outline outline-1 outline-ink" : "border-dashed border-line text-soft hover:border-water hover:text-ink"}`}
      >
        <Picture of={picture} className="mb-1 h-16 w-20" />
        {word}
      </button>
      {has && children}
    </li>
  );
}
