/**
 * Why things go wrong, as data: how often each is behind a sign before anything is known (est.), what speaks for it, what mends it,
 * what it teaches. A weight is a likelihood ratio: how many times likelier the fact is where this is the cause (est.).
 */

import type { MishapSign } from "../model";
import type { MishapFact } from "./facts";
import type { LessonOn, LessonShift } from "./lesson";
import type { RecipeId } from "./recipes";

export interface Cause {
  readonly id: string;
  readonly sign: MishapSign;
  readonly prior: number;
  /** facts that speak for it, with their weight */
  readonly for: Readonly<Partial<Record<MishapFact, number>>>;
  /** facts that speak against it */
  readonly against?: Readonly<Partial<Record<MishapFact, number>>> | undefined;
  /** where these are known not to be so, it cannot have been this */
  readonly must?: readonly MishapFact[] | undefined;
  readonly mends: readonly RecipeId[];
  readonly lesson: { readonly on: LessonOn; readonly shift: LessonShift };
}

type Row = readonly [
  id: string,
  prior: number,
  weights: Cause["for"],
  mends: readonly RecipeId[],
  on: LessonOn,
  shift: LessonShift,
  more?: Partial<Pick<Cause, "against" | "must">>,
];

const of = (sign: MishapSign, rows: readonly Row[]): readonly Cause[] =>
  rows.map(([id, prior, weights, mends, on, shift, more]) => ({
    id: `${sign}.${id}`,
    sign,
    prior,
    for: weights,
    mends,
    lesson: { on, shift },
    ...more,
  }));

const LEVEL: readonly RecipeId[] = ["level-recoat", "strip-film", "leave"];
const LOOKS: readonly RecipeId[] = ["level-recoat", "even-sheen", "leave"];

export const CAUSES: readonly Cause[] = [
  ...of("lifting", [
    [
      "too-strong",
      3,
      { bites: 8, heavy: 2, "old-finish": 1.5 },
      ["strip-film", "feather-prime", "strip-all"],
      "pair",
      "weaker",
    ],
    ["too-soon", 3, { early: 8, "coats-close": 3, cold: 2 }, ["strip-film", "level-recoat"], "pair", "wait-longer"],
    ["forbidden-gap", 2, { "in-gap": 15 }, ["strip-film", "level-recoat"], "pair", "wait-longer", { must: ["in-gap"] }],
    [
      "old-paint",
      2,
      { "old-finish": 8, bites: 2 },
      ["strip-all", "feather-prime"],
      "material",
      "barrier",
      { must: ["old-finish"] },
    ],
    ["flooded", 1, { heavy: 6, "one-go": 5, "many-coats": 2 }, ["strip-film", "level-recoat"], "product", "lighter"],
  ]),
  ...of("bubbles", [
    [
      "water-in-part",
      3,
      { "still-wet": 10, "porous-open": 1.5 },
      ["refill", "level-recoat", "leave"],
      "material",
      "dry-longer",
    ],
    [
      "solvent-boil",
      3,
      { heavy: 5, "coats-close": 5, "many-coats": 2.5, hot: 2, "showed-late": 2 },
      LEVEL,
      "product",
      "lighter",
    ],
    ["heated", 2, { "hot-air": 12, hot: 2 }, LEVEL, "product", "warm-dry"],
    ["air-in-pores", 2, { "porous-open": 8, putty: 1.5 }, ["refill", "level-recoat"], "material", "barrier"],
    ["shaken-in", 1, { brushed: 4, "brush-loaded": 3 }, LEVEL, "product", "stir", { against: { sprayed: 4 } }],
    ["can-cold", 1, { "can-cold": 8, cold: 3 }, LEVEL, "product", "warmer-can", { must: ["sprayed"] }],
  ]),
  ...of("clogging", [
    [
      "not-through",
      5,
      { "sanded-soon": 10, cold: 2.5, heavy: 2, "soft-inside": 4 },
      ["wait-on"],
      "product",
      "wait-longer",
    ],
    ["too-thick", 2, { heavy: 4, "deep-fill": 6, "many-coats": 2 }, ["wait-on", "refill"], "product", "thin-skins"],
    [
      "mix-off",
      1,
      { "mix-off": 12, "soft-inside": 3 },
      ["strip-film"],
      "product",
      "thin-right",
      { against: { "filler-dries": 2 } },
    ],
    [
      "paper-worn",
      1.5,
      { "paper-worn": 10 },
      ["wait-on", "leave"],
      "product",
      "finer-paper",
      { against: { "sanded-soon": 3 } },
    ],
    ["skin-only", 1, { draught: 3, hot: 2, "coats-close": 4 }, ["wait-on"], "product", "thin-skins"],
  ]),
  ...of("cracks", [
    ["thick-fill", 3, { "deep-fill": 8, putty: 2 }, ["refill"], "product", "thin-skins"],
    ["hard-over-soft", 3, { "hard-over-soft": 10, early: 3 }, ["strip-film", "feather-prime"], "pair", "wait-longer"],
    ["flexes", 1, { knocked: 5, "held-loose": 2 }, ["feather-prime", "refill"], "material", "weaker"],
    ["too-thick", 2, { heavy: 4, "many-coats": 4 }, ["strip-film", "level-recoat"], "product", "lighter"],
    ["cold-formed", 1.5, { cold: 6, "water-borne": 2.5 }, ["strip-film", "level-recoat"], "product", "warm-dry"],
  ]),
  ...of("flakes", [
    ["no-key", 3, { unkeyed: 7, "all-over": 2 }, ["feather-prime", "strip-film"], "material", "key"],
    ["greasy", 3, { unwashed: 7, "bare-hands": 4 }, ["feather-prime", "strip-film"], "material", "wash"],
    ["no-promoter", 2, { "no-promoter": 9, "all-over": 1.5 }, ["strip-all", "feather-prime"], "material", "promoter"],
    ["window-missed", 2, { missed: 9, "etch-late": 6 }, ["strip-film", "feather-prime"], "pair", "wait-longer"],
    [
      "tape-pulled",
      2,
      { "tape-strong": 6, "tape-early": 5, "tape-long": 4 },
      ["feather-prime", "touch-up"],
      "tape",
      "low-tack",
      { must: ["tape-laid"] },
    ],
    [
      "plain-primer",
      1.5,
      { "plain-on-metal": 8, "flash-rust": 3 },
      ["strip-all", "feather-prime"],
      "material",
      "promoter",
      { must: ["on-metal"] },
    ],
    ["dust-between", 1, { undusted: 6 }, ["strip-film", "level-recoat"], "shed", "dust-off"],
    ["chipped", 1, { knocked: 12, "at-edges": 2 }, ["touch-up", "feather-prime"], "shed", "holder"],
  ]),
  ...of("fish-eyes", [
    ["silicone", 4, { silicone: 10, unwashed: 3 }, ["wash-off", "strip-film", "level-recoat"], "shed", "wash"],
    ["fingers", 2, { "bare-hands": 9, unwashed: 2.5 }, ["wash-off", "level-recoat"], "shed", "wash"],
    ["oil-in-air", 1, { "water-in-air": 10 }, ["wash-off", "level-recoat"], "shed", "look", { must: ["sprayed"] }],
    ["release", 1.5, { unwashed: 5, "all-over": 3 }, ["wash-off", "strip-film"], "material", "wash"],
  ]),
  ...of("run", [
    ["too-wet", 4, { heavy: 6, "one-go": 4, "too-near": 3 }, LEVEL, "product", "lighter"],
    ["too-near", 2, { "too-near": 8 }, LEVEL, "product", "distance", { must: ["sprayed"] }],
    ["coats-close", 2, { "coats-close": 7 }, LEVEL, "product", "wait-longer"],
    ["cold", 2, { cold: 5, "can-cold": 3 }, LEVEL, "product", "warm-dry"],
    ["too-thin", 1, { thinned: 4, "wrong-thinner": 4 }, LEVEL, "product", "thin-right"],
    ["loaded-brush", 1.5, { "brush-loaded": 9, brushed: 3 }, LEVEL, "product", "lighter", { must: ["brushed"] }],
  ]),
  ...of("streak", [
    ["pooled", 3, { "one-go": 4, "brush-loaded": 4 }, ["wash-off", "even-sheen", "leave"], "product", "lighter"],
    ["dried-too-far", 2, { hot: 4, "showed-late": 4 }, ["wash-off", "even-sheen", "leave"], "product", "look"],
    ["matt-below", 1.5, { "all-over": 3, undusted: 2 }, ["wash-off", "leave"], "pair", "gloss-first"],
  ]),
  ...of("rough", [
    [
      "dry-spray",
      4,
      { "too-far": 7, hot: 4, draught: 4 },
      ["level-recoat", "leave"],
      "product",
      "distance",
      { must: ["sprayed"] },
    ],
    ["dust", 2, { "dust-about": 6, undusted: 5 }, ["level-recoat", "pick-out", "leave"], "shed", "dust-off"],
    [
      "spatter",
      2,
      { "not-shaken": 5, "can-cold": 4, cold: 2 },
      ["level-recoat", "leave"],
      "product",
      "warmer-can",
      { must: ["sprayed"] },
    ],
    ["old-paint", 1, { "past-date": 5, "old-can": 4, "not-stirred": 3 }, ["level-recoat"], "product", "fresh"],
  ]),
  ...of("orange-peel", [
    ["too-thick-to-flow", 3, { cold: 4, "can-cold": 4, "pressure-low": 4 }, LOOKS, "product", "warmer-can"],
    ["dried-on-way", 2.5, { hot: 5, "too-far": 5, draught: 2.5 }, LOOKS, "product", "distance"],
    ["too-heavy", 2, { heavy: 6, "one-go": 3 }, LOOKS, "product", "lighter"],
    ["not-thinned", 1, { "pressure-low": 5 }, LOOKS, "product", "thin-right", { against: { thinned: 3 } }],
  ]),
  ...of("haze", [
    ["damp-air", 4, { damp: 8, lacquer: 2.5 }, ["even-sheen", "level-recoat", "leave"], "shed", "warm-dry"],
    ["dew", 2, { dew: 12, cold: 2 }, ["dry-out", "level-recoat"], "shed", "warm-dry"],
    ["cold-part", 2, { cold: 5, "can-cold": 3, lacquer: 1.5 }, ["even-sheen", "level-recoat"], "shed", "warm-dry"],
    ["glue-fumes", 1, { "at-edges": 4, "showed-late": 4 }, ["polish-out", "even-sheen"], "shed", "apart"],
    ["matting-not-stirred", 1.5, { "not-shaken": 6, "not-stirred": 6 }, ["even-sheen", "leave"], "product", "stir"],
  ]),
  ...of("silvered", [
    [
      "matt-ground",
      4,
      { "matt-under-decal": 8, "all-over": 2 },
      ["redecal", "even-sheen", "leave"],
      "pair",
      "gloss-first",
    ],
    ["air-under", 2, { "at-edges": 2, moved: 3 }, ["redecal", "leave"], "product", "look"],
    ["lacquer-on-film", 1.5, { "clear-over-decal": 8 }, ["redecal", "leave"], "pair", "weaker"],
  ]),
  ...of("patchy", [
    [
      "thin-brush-coats",
      3,
      { brushed: 5, "brush-loaded": 2 },
      ["even-sheen", "level-recoat", "leave"],
      "product",
      "more-coats",
    ],
    ["matting-settled", 2, { "not-stirred": 6, "not-shaken": 6 }, ["even-sheen", "leave"], "product", "stir"],
    ["ground-drinks", 2, { "porous-open": 6, putty: 2 }, ["level-recoat", "even-sheen"], "material", "barrier"],
    [
      "uneven-spray",
      2,
      { sprayed: 2, "too-near": 4, "hiding-short": 2 },
      ["even-sheen", "level-recoat", "leave"],
      "product",
      "distance",
    ],
    ["touched-dry", 1, { "bare-hands": 5, "handled-soon": 4 }, ["even-sheen", "leave"], "shed", "holder"],
  ]),
  ...of("shows-through", [
    ["too-few-coats", 4, { "hiding-short": 8 }, ["level-recoat", "leave"], "product", "more-coats"],
    ["ground-dark", 2, { "dark-below": 12, "hiding-short": 4 }, ["level-recoat", "leave"], "pair", "more-coats"],
    ["not-stirred", 1.5, { "not-stirred": 6, "not-shaken": 6 }, ["level-recoat"], "product", "stir"],
    [
      "rubbed-thin",
      1,
      { "at-edges": 6, "sanded-soon": 2 },
      ["feather-prime", "level-recoat"],
      "product",
      "finer-paper",
    ],
  ]),
  ...of("wrong-shade", [
    ["ground", 2, { "hiding-short": 6 }, ["level-recoat", "leave"], "pair", "more-coats"],
    ["not-stirred", 2, { "not-stirred": 6, "not-shaken": 6 }, ["level-recoat", "leave"], "product", "stir"],
    ["light", 2, { "poor-light": 9 }, ["leave", "level-recoat"], "shed", "look"],
    ["other-can", 1, { "lies-wrong": 12, "old-can": 2 }, ["level-recoat", "leave"], "product", "stock"],
    ["still-wet", 1.5, { "water-borne": 2, early: 2 }, ["wait-on", "leave"], "product", "look"],
  ]),
  ...of("scratches", [
    ["too-coarse", 4, { coarse: 8 }, ["level-recoat", "feather-prime", "leave"], "product", "finer-paper"],
    ["swelled", 2, { "sanded-soon": 4, early: 4, bites: 2 }, ["wait-on", "level-recoat"], "pair", "wait-longer"],
    ["too-thin", 2, { "hiding-short": 3 }, ["level-recoat"], "product", "more-coats"],
    ["grit-carried", 1, { undusted: 5, "paper-worn": 2 }, ["level-recoat", "leave"], "shed", "dust-off"],
  ]),
  ...of("sunken", [
    ["shrank", 4, { "filler-dries": 6, "deep-fill": 5 }, ["refill", "leave"], "product", "thin-skins"],
    ["levelled-soon", 3, { "sanded-soon": 8, "soft-inside": 3 }, ["refill", "leave"], "product", "wait-longer"],
    ["solvent-swell", 1.5, { bites: 4, heavy: 2 }, ["wait-on", "refill"], "pair", "weaker"],
  ]),
  ...of("eaten", [
    ["carrier", 4, { bites: 8, foam: 1.5 }, ["reseal", "refill", "strip-all"], "material", "weaker"],
    [
      "barrier-thin",
      3,
      { "thin-barrier": 8, foam: 2 },
      ["reseal", "refill"],
      "material",
      "barrier",
      { must: ["foam"] },
    ],
    ["rubbed-to-foam", 2, { "at-edges": 5, foam: 2 }, ["reseal"], "material", "barrier", { must: ["foam"] }],
    ["flooded", 1.5, { heavy: 6, "one-go": 3 }, ["reseal", "strip-all"], "product", "lighter"],
    ["glue", 1, { "at-edges": 2, "showed-late": 3 }, ["refill", "reseal"], "material", "weaker"],
  ]),
  ...of("weeping", [
    ["uncured", 4, { "uncured-resin": 8 }, ["recure", "strip-all"], "material", "cure-through"],
    ["hollow", 3, { hollow: 10 }, ["recure", "strip-all"], "material", "cure-through"],
    ["mix-off", 2, { "mix-off": 10, "soft-inside": 3 }, ["strip-film", "wait-on"], "product", "thin-right"],
    ["too-thick", 1.5, { heavy: 4, "many-coats": 3, cold: 2 }, ["wait-on", "strip-film"], "product", "lighter"],
  ]),
  ...of("aged", [
    ["sun", 3, { sun: 5, "no-uv": 4 }, ["even-sheen", "level-recoat", "leave"], "shed", "uv-clear"],
    ["binder-yellows", 3, { yellows: 8 }, ["level-recoat", "leave"], "product", "fresh"],
    ["no-clear", 2, { "no-uv": 5, "long-ago": 2 }, ["even-sheen", "leave"], "product", "uv-clear"],
    ["touched", 1, { "bare-hands": 4, "at-edges": 2 }, ["polish-out", "even-sheen", "leave"], "shed", "holder"],
  ]),
  ...of("nib", [
    ["dust-in-air", 4, { "dust-about": 8 }, ["pick-out", "level-recoat", "leave"], "shed", "cover"],
    ["not-wiped", 3, { undusted: 8 }, ["pick-out", "level-recoat", "leave"], "shed", "dust-off"],
    [
      "from-can",
      2,
      { "not-stirred": 4, "old-can": 4, "past-date": 3 },
      ["pick-out", "level-recoat", "leave"],
      "product",
      "stir",
    ],
    ["blown-up", 2, { draught: 6, moved: 3 }, ["pick-out", "level-recoat", "leave"], "shed", "cover"],
  ]),
  ...of("foreign-mist", [
    ["sprayed-near", 4, { "mist-about": 10 }, ["level-recoat", "polish-out", "leave"], "shed", "apart"],
    ["mask-open", 3, { "edge-open": 9, "tape-laid": 2 }, ["level-recoat", "touch-up", "leave"], "tape", "cover"],
    ["blown-round", 2, { draught: 4, "too-far": 4 }, ["polish-out", "level-recoat", "leave"], "product", "distance"],
  ]),
  ...of("bleed", [
    [
      "edge-not-pressed",
      4,
      { "edge-open": 9 },
      ["touch-up", "level-recoat", "leave"],
      "tape",
      "look",
      { must: ["tape-laid"] },
    ],
    [
      "too-wet-at-edge",
      3,
      { heavy: 6, brushed: 2, "too-near": 3 },
      ["touch-up", "level-recoat", "leave"],
      "product",
      "lighter",
    ],
    ["rough-ground", 1.5, { coarse: 4, "porous-open": 3 }, ["touch-up", "level-recoat"], "material", "finer-paper"],
    ["tape-on-soft", 1.5, { "tape-early": 8 }, ["touch-up", "level-recoat"], "tape", "wait-longer"],
  ]),
  ...of("dropped", [
    ["slipped-hand", 3, { "handled-soon": 4 }, ["pick-out", "level-recoat", "feather-prime"], "shed", "holder"],
    ["holder-let-go", 3, { "held-loose": 8 }, ["level-recoat", "feather-prime", "refill"], "shed", "holder"],
  ]),
  ...of("touched", [
    ["too-soon", 3, { "handled-soon": 8 }, ["pick-out", "level-recoat", "leave"], "shed", "wait-longer"],
    ["no-holder", 3, { "held-loose": 6, "bare-hands": 3 }, ["pick-out", "level-recoat", "leave"], "shed", "holder"],
  ]),
  ...of("rubbed-through", [
    ["edges", 4, { "at-edges": 8 }, ["feather-prime", "reseal", "touch-up"], "product", "finer-paper"],
    ["too-coarse", 2, { coarse: 6 }, ["feather-prime", "reseal"], "product", "finer-paper"],
    [
      "film-thin",
      2,
      { "hiding-short": 2, "paper-worn": 1.5 },
      ["feather-prime", "reseal"],
      "product",
      "more-coats",
      { against: { heavy: 2 } },
    ],
    ["soft-film", 1.5, { "sanded-soon": 6, "soft-inside": 3 }, ["feather-prime", "wait-on"], "product", "wait-longer"],
  ]),
  ...of("ran-out", [
    ["no-count", 3, {}, ["swap", "leave"], "product", "stock"],
    ["drank-more", 2, { "porous-open": 5, heavy: 3 }, ["swap", "leave"], "product", "stock"],
  ]),
  ...of("slipped", [
    ["holder", 4, { "held-loose": 6 }, ["level-recoat", "pick-out", "feather-prime"], "shed", "holder"],
    ["blown-over", 2, { draught: 5, "too-near": 4 }, ["level-recoat", "pick-out", "feather-prime"], "shed", "holder"],
  ]),
  ...of("rained-on", [
    ["dew", 3, { dew: 8, cold: 2 }, ["dry-out", "level-recoat"], "shed", "warm-dry"],
    [
      "splashed",
      3,
      { moved: 3, "at-edges": 2 },
      ["dry-out", "level-recoat", "pick-out"],
      "shed",
      "cover",
      { against: { dew: 3 } },
    ],
  ]),
  ...of("product-bad", [
    ["old", 3, { "past-date": 6, "old-can": 6 }, ["swap"], "product", "fresh"],
    ["settled", 3, { "not-stirred": 5, "not-shaken": 5 }, ["swap", "leave"], "product", "stir"],
    ["clogged-nozzle", 2, { sprayed: 2, "can-cold": 3 }, ["swap", "leave"], "product", "warmer-can"],
  ]),
  ...of("wrong-product", [
    ["alike-cans", 4, { "poor-light": 3, "lies-wrong": 2 }, ["strip-film", "wash-off", "leave"], "product", "look"],
    ["changed-mind", 1, { "meant-so": 12 }, ["leave", "strip-film"], "product", "look"],
  ]),
  ...of("left-too-long", [
    [
      "tape",
      3,
      { "tape-long": 8 },
      ["touch-up", "feather-prime", "leave"],
      "tape",
      "sooner-off",
      { must: ["tape-laid"] },
    ],
    ["window", 3, { missed: 8, "etch-late": 4 }, ["level-recoat", "strip-film"], "pair", "wait-longer"],
    ["only-feared", 1, { "looks-sound": 9 }, ["leave", "level-recoat"], "shed", "look"],
  ]),
];
