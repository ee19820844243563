/** Facts a cause may be weighed by. What is told comes from the log, the judge and the film model; what is asked only the bench knows. */

export const TOLD_FACTS = [
  "bites",
  "old-finish",
  "early",
  "coats-close",
  "in-gap",
  "missed",
  "heavy",
  "many-coats",
  "cold",
  "damp",
  "dew",
  "hot",
  "draught",
  "unwashed",
  "still-wet",
  "unkeyed",
  "undusted",
  "coarse",
  "sanded-soon",
  "deep-fill",
  "filler-dries",
  "hard-over-soft",
  "no-promoter",
  "plain-on-metal",
  "etch-late",
  "tape-laid",
  "tape-early",
  "tape-long",
  "tape-strong",
  "past-date",
  "old-can",
  "wrong-thinner",
  "thinned",
  "mix-off",
  "sprayed",
  "brushed",
  "dust-about",
  "mist-about",
  "uncured-resin",
  "hollow",
  "clear-over-decal",
  "matt-under-decal",
  "hiding-short",
  "dark-below",
  "no-uv",
  "sun",
  "long-ago",
  "yellows",
  "redissolves",
  "lacquer",
  "water-borne",
  "porous-open",
  "thin-barrier",
  "foam",
  "putty",
  "on-metal",
  "flash-rust",
  "handled-soon",
  "lies-wrong",
] as const;
export type ToldFact = (typeof TOLD_FACTS)[number];

export const ASKED_FACTS = [
  "can-cold",
  "not-shaken",
  "too-near",
  "too-far",
  "one-go",
  "bare-hands",
  "silicone",
  "at-edges",
  "all-over",
  "showed-late",
  "hot-air",
  "pressure-low",
  "brush-loaded",
  "paper-worn",
  "moved",
  "water-in-air",
  "poor-light",
  "not-stirred",
  "edge-open",
  "held-loose",
  "soft-inside",
  "knocked",
  "meant-so",
  "looks-sound",
] as const;
export type AskedFact = (typeof ASKED_FACTS)[number];
export type MishapFact = ToldFact | AskedFact;

/** What is known of one: yes or no, and the work it is known by; a fact left out is not known. */
export interface KnownFact {
  readonly yes: boolean;
  /** operations of the log it is read off, oldest first */
  readonly opIds: readonly string[];
  /** the figure behind it, in the unit its words name; absent = there is none */
  readonly figure?: number | undefined;
}
export type MishapFacts = Readonly<Partial<Record<MishapFact, KnownFact>>>;
