import type { Pot } from "../api/client";

/** The jug's contents, bottom to top, in millilitres: plain arithmetic on the core's ledger. */
export interface Layer {
  key: "grain" | "there" | "drinks" | "broth" | "off";
  ml: number;
  label: string;
  note: string;
}
export interface Contents {
  layers: Layer[];
  pour: number;
  surface: number;
  reserve: number;
  capacity: number;
  tick: number;
}

const LOST = new Set(["boil_off", "come_up", "cloth", "drained", "base", "head_start"]);
// what a packed millilitre of dry grain takes up itself; the rest is air between the grains
const SOLID = 0.6;

export function contents(pot: Pot): Contents {
  // a recipe that pours less than its grain needs brings no water, nor does a roast: they only leave less to drink
  const there = pot.ledger.filter((r) => r.ml < 0 && r.term !== "recipe_habit" && r.term !== "roast");
  const thereMl = -there.reduce((sum, r) => sum + r.ml, 0);
  const pour = pot.water.pour_ml;
  const lost = pot.ledger.filter((r) => LOST.has(r.term)).reduce((sum, r) => sum + r.ml, 0);
  const off = Math.min(pour, Math.max(0, lost));
  const broth = Math.min(pour - off, pot.ledger.find((r) => r.term === "broth")?.ml ?? 0);
  const drinks = pour - off - broth;
  const grain = pot.dry.ml * SOLID;
  const shown = Math.max(0, thereMl);
  const layers: Layer[] = [{ key: "grain", ml: grain, label: `${pot.dry.g} g ${pot.name}`, note: pot.texture_word }];
  if (shown > 0)
    layers.push({
      key: "there",
      ml: shown,
      label: `${Math.round(shown)} already there`,
      note: there
        .map((r) =>
          r.term === "cling"
            ? "on the rinsed grain"
            : r.term === "soak"
              ? "from the soak"
              : r.because.replace(/^already there, /, ""),
        )
        .join(", "),
    });
  if (drinks > 0) layers.push({ key: "drinks", ml: drinks, label: `${drinks} for the grain`, note: "" });
  if (broth > 0) layers.push({ key: "broth", ml: broth, label: `${broth} of broth`, note: "it stays" });
  if (off > 0) {
    const lidded = pot.ledger.find((r) => r.term === "boil_off");
    const drained = pot.method === "drain";
    layers.push({
      key: "off",
      ml: off,
      label: drained ? `${off} boils off or is drained` : `${off} boils off`,
      note: drained ? "" : (lidded?.because ?? "").replace(/^boils off /, ""),
    });
  }
  const surface = grain + shown + pour;
  const need = (surface + pot.water.reserve_ml) * 1.07;
  const step = need > 3000 ? 500 : need > 1400 ? 200 : need > 500 ? 100 : 50;
  return {
    layers,
    pour,
    surface,
    reserve: pot.water.kettle_ml ?? pot.water.reserve_ml,
    capacity: Math.max(need, 200),
    tick: step,
  };
}

/** Moves labels apart so that none is nearer than `gap` to the next, keeping them near their places. */
export function spread(wanted: number[], gap: number, top: number, bottom: number): number[] {
  const out = [...wanted];
  for (let i = 1; i < out.length; i++) out[i] = Math.max(out[i] ?? 0, (out[i - 1] ?? 0) + gap);
  const over = (out[out.length - 1] ?? 0) - bottom;
  if (over > 0) {
    out[out.length - 1] = bottom;
    for (let i = out.length - 2; i >= 0; i--) out[i] = Math.min(out[i] ?? 0, (out[i + 1] ?? 0) - gap);
  }
  return out.map((y) => Math.max(y, top));
}
