/** Ways of cooking by the core's names for them: as one names them beside a picture … */
export const WAY_NAMES: Record<string, string> = {
  covered: "under a lid",
  open: "open pan",
  drain: "boiled, drained",
  steep: "steeped",
  flush: "short boil, flushed",
  steam: "steamed",
  "off-heat": "finished off the heat",
  "rice-cooker": "rice cooker",
  pressure: "pressure, whistles",
  "electric-pressure": "electric pressure",
  microwave: "microwave",
  oven: "oven",
  "cook-ahead": "cooked ahead",
  soup: "in a soup",
  "slow-cooker": "slow cooker",
};

/** … and as a sentence says how it was cooked. */
export const WAY_SAID: Record<string, string> = {
  covered: "under a lid",
  open: "in an open pan",
  drain: "boiled and drained",
  steep: "steeped",
  flush: "boiled short, then flushed",
  steam: "steamed",
  "off-heat": "finished off the heat",
  "rice-cooker": "in a rice cooker",
  pressure: "under pressure",
  "electric-pressure": "under electric pressure",
  microwave: "in the microwave",
  oven: "in the oven",
  "cook-ahead": "cooked ahead",
  soup: "in the soup",
  "slow-cooker": "in a slow cooker",
};
