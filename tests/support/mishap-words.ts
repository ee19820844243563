import type { MishapWords } from "@/server";

/** Words of a mishap as they are: what is told is looked at by what it is, not by how it reads. */
export const WORDS: MishapWords = {
  sign: (s) => s,
  recipe: (r) => r,
  marks: (n) => `${n} marks`,
  reason: (code) => code,
  other: (k) => k,
};
