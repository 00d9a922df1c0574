/** A grain's hue and hatch: they mean that grain and nothing else, and never stand without its name. */
export type Hatch = "dots" | "slant" | "rules" | "cross" | "dashes" | "waves" | "steps" | "seeds" | "bars";
export interface Coat {
  hue: string;
  hatch: Hatch;
}

const COATS: Record<string, Coat> = {
  "foxtail-millet": { hue: "#D8A53A", hatch: "dots" },
  quinoa: { hue: "#C9B79C", hatch: "slant" },
  "quinoa-red": { hue: "#A8584A", hatch: "slant" },
  "quinoa-black": { hue: "#4B4246", hatch: "slant" },
  "barley-pearl": { hue: "#B98B52", hatch: "rules" },
  "barley-hulled": { hue: "#94703F", hatch: "rules" },
  "barley-quick": { hue: "#CFAE7E", hatch: "rules" },
  "rice-brown-long": { hue: "#9A6B3F", hatch: "dashes" },
  "rice-brown-short": { hue: "#A97B4C", hatch: "seeds" },
  "rice-black": { hue: "#3B2340", hatch: "dashes" },
  "wild-rice": { hue: "#2F2A26", hatch: "bars" },
  "rice-red": { hue: "#A4473A", hatch: "dashes" },
  "bulgur-coarse": { hue: "#B8863B", hatch: "cross" },
  "bulgur-fine": { hue: "#C99C57", hatch: "cross" },
  "little-millet": { hue: "#CDB27A", hatch: "seeds" },
  "barnyard-millet": { hue: "#D9CBA6", hatch: "dots" },
  "maize-meal-coarse": { hue: "#EBC04A", hatch: "steps" },
  sorghum: { hue: "#B5745A", hatch: "seeds" },
};
const FAMILIES: Record<string, Coat> = {
  rice: { hue: "#D8D5C6", hatch: "dashes" },
  millet: { hue: "#CFAF63", hatch: "dots" },
  "pseudo-grain": { hue: "#B99C7A", hatch: "slant" },
  barley: { hue: "#B98B52", hatch: "rules" },
  wheat: { hue: "#BE9350", hatch: "cross" },
  oats: { hue: "#CDBB93", hatch: "waves" },
  "coarse meal": { hue: "#DDB75C", hatch: "steps" },
};

export const coatOf = (slug: string, family = ""): Coat => COATS[slug] ?? FAMILIES[family] ?? { hue: "#BFC3B8", hatch: "dashes" };
