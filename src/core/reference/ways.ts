/** Ways of working: named sets of choices where good practitioners differ, with what each weighs. */

export interface School {
  readonly id: string;
  readonly question: string;
  readonly a: string;
  readonly b: string;
  /** which is usual, and why */
  readonly reason: string;
}

/** Where practice differs. Source: common trade practice; neither side is wrong. */
export const SCHOOLS = [
  {
    id: "first-primer",
    question: "First primer coats",
    a: "Flood and sand back, to bury ridges",
    b: "Mist and keep thin, to save detail",
    reason: "By region: the finest detail against the ridges to bury.",
  },
  {
    id: "putty-or-primer",
    question: "Putty or primer first",
    a: "Primer first: it bonds, and shows what to fill",
    b: "Putty on the bare material, then primer",
    reason: "The product’s “may go over” decides; on metal, primer first.",
  },
  {
    id: "foam",
    question: "Over polystyrene foam",
    a: "Water-borne only",
    b: "Seal well, then solvent in thin passes after a coupon",
    reason: "Water-borne is safe; the other is a trial every time.",
  },
  {
    id: "combined",
    question: "Paint and primer in one",
    a: "Separate products, each better at its own",
    b: "One product is enough",
    reason: "Separate; on slick faces one product grips less.",
  },
  {
    id: "gloss",
    question: "Top coat",
    a: "Leave the colour as it is",
    b: "A clear over everything evens the sheen",
    reason: "A clear evens patches and shields; a gloss one shows everything.",
  },
  {
    id: "primer-to-colour",
    question: "Primer to colour",
    a: "In one session",
    b: "Next day or later",
    reason: "The film decides; the longer wait for show.",
  },
  {
    id: "last-grit",
    question: "Last paper before colour",
    a: "Coarser, saves time",
    b: "Finer, saves the finish",
    reason: "By sheen and colour: matt and pale forgive, gloss, black and metallic do not.",
  },
  {
    id: "warmth",
    question: "Drying",
    a: "Leave it to the air",
    b: "Warm air or a box, inside the material’s limit",
    reason: "Leave it; warm only inside the limit and after touch dry.",
  },
] as const satisfies readonly School[];
export type SchoolId = (typeof SCHOOLS)[number]["id"];
type Side = "a" | "b";

/** What a stack costs in the finder's own unit, by what it is made of. */
export interface Weights {
  /** per day until the part can be handled */
  readonly day: number;
  /** per hour of hands-on work */
  readonly hour: number;
  /** per point of risk: a care is one, a test four */
  readonly risk: number;
  /** per unit of the user's money */
  readonly money: number;
  /** per gram of dry film */
  readonly gram: number;
  /** per percent of the finest groove filled */
  readonly detailPct: number;
  /** per hazard the products bring to the bench */
  readonly hazard: number;
}
export const WEIGHTS = [
  "day",
  "hour",
  "risk",
  "money",
  "gram",
  "detailPct",
  "hazard",
] as const satisfies readonly (keyof Weights)[];

export interface WayOfWorking {
  readonly id: string;
  readonly name: string;
  readonly choices: Readonly<Record<SchoolId, Side>>;
  readonly weights: Weights;
  /** the last paper before colour, FEPA P */
  readonly lastGrit: number;
}

const usual: WayOfWorking["choices"] = {
  "first-primer": "a",
  "putty-or-primer": "a",
  foam: "a",
  combined: "a",
  gloss: "b",
  "primer-to-colour": "b",
  "last-grit": "b",
  warmth: "a",
};
const even: Weights = { day: 1, hour: 1, risk: 1, money: 0.05, gram: 0, detailPct: 0.05, hazard: 0.5 };

/** Ready-made ways; weights are estimates to be edited. */
export const WAYS: readonly WayOfWorking[] = [
  { id: "show", name: "Show finish", choices: usual, weights: { ...even, day: 0.3, risk: 2 }, lastGrit: 1000 },
  {
    id: "quick",
    name: "Quick shelf",
    choices: { ...usual, gloss: "a", combined: "b", "primer-to-colour": "a", "last-grit": "a" },
    weights: { ...even, day: 3, hour: 2, risk: 0.5 },
    lastGrit: 400,
  },
  {
    id: "fine",
    name: "Fine detail",
    choices: { ...usual, "first-primer": "b" },
    weights: { ...even, detailPct: 0.5 },
    lastGrit: 800,
  },
  {
    id: "outdoors",
    name: "Hard-wearing outdoors",
    choices: { ...usual, foam: "b" },
    weights: { ...even, day: 0.3, risk: 1.5, money: 0.02 },
    lastGrit: 600,
  },
  {
    id: "light",
    name: "Light flyer",
    choices: { ...usual, "first-primer": "b", gloss: "a" },
    weights: { ...even, gram: 1.5 },
    lastGrit: 600,
  },
];

/** Risk points by verdict (est.): four cares are as bad as one trial. */
export const RISK_POINTS = { ok: 0, care: 1, test: 4 } as const;

/** How much more a fault of the whole face counts where it will be seen (est.). */
export const SHOWN_RISK = { hidden: 1, seen: 2, show: 3 } as const;
