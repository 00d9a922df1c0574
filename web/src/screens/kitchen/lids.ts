export const LID_WORDS: Record<string, string> = {
  sealed: "sealed with a cloth",
  tight: "tight lid",
  ordinary: "ordinary lid",
  ajar: "lid ajar",
  open: "no lid",
};
