import type { SumId } from "@/core/sums";

interface SumWords {
  readonly title: string;
  readonly about: string;
  readonly inputs: Readonly<Record<string, string>>;
  readonly lines: Readonly<Record<string, string>>;
  readonly columns?: Readonly<Record<string, string>>;
  readonly notes?: Readonly<Record<string, string>>;
}

const PARTS = { paintParts: "parts of paint", thinnerParts: "parts of thinner" } as const;
const FILM_LINES = { wftUm: "wet film", dftUm: "dry film" } as const;
const TOO_HOT = "The box is hotter than this material stands: it softens or warps.";

/** What each sum is called, and what it asks and says. */
export const SUM_TEXT: Readonly<Record<SumId, SumWords>> = {
  quantities: {
    title: "How much paint",
    about: "What to have in the cup and on the shelf before the mask goes on.",
    inputs: {
      areaCm2: "area",
      wftUm: "wet film a coat",
      coats: "coats",
      method: "laid with",
      ...PARTS,
      reservePct: "reserve for touch-up and a crash",
      leftMl: "left in the can or jar",
    },
    lines: {
      mixMl: "in the cup, all coats",
      paintMl: "of it paint",
      thinnerMl: "of it thinner",
      canMl: "out of the can or jar",
      shortMl: "short of",
      coatsLeft: "coats it is enough for",
    },
    notes: {
      propellant: "An aerosol’s figure counts its propellant, about two fifths of the can (est.).",
      "runs-out": "It runs out before the last coat: have another before anything is masked.",
      enough: "It is enough, the reserve counted.",
    },
  },
  thin: {
    title: "Thin it",
    about: "Paint and thinner to pour for a ratio, as volume, weight and drops, and the film that follows.",
    inputs: {
      mixMl: "wanted in the cup",
      ...PARTS,
      solidsPct: "volume solids of the paint",
      paintGMl: "density of the paint",
      thinnerGMl: "density of the thinner",
      method: "laid with",
      wftUm: "wet film a coat",
    },
    lines: {
      paintMl: "paint",
      thinnerMl: "thinner",
      paintG: "paint, weighed",
      thinnerG: "thinner, weighed",
      paintDrops: "paint, drops (est.)",
      thinnerDrops: "thinner, drops (est.)",
      solidsPct: "volume solids of the mix",
      dftUm: "dry film a coat leaves",
    },
    notes: {
      "sign-airbrush":
        "Right when it runs down the cup’s wall like skimmed milk: a thin veil stays, no streaks. Too thick spatters and dries rough; too thin runs.",
      "sign-spray-gun": "Right when it runs off a stick as a thread that breaks into drops.",
      "sign-brush": "Right when a stroke levels before it sets and does not pull: as single cream.",
      "sign-aerosol": "An aerosol is not thinned: warm it and shake it.",
      "sign-wipe": "Right when it spreads without a ridge and leaves no puddle.",
      "sign-dip": "Right when it drains to one drop at the lowest point.",
      "sign-spread": "A putty is loosened by drops only: what thins it also makes it sink.",
      "very-thin": "More than two parts of thinner to one of paint: it may no longer bind. Try it on a scrap.",
    },
  },
  "two-pack": {
    title: "Two-pack mix",
    about: "What to measure of each part, how long it stays usable in this cup, and in how many batches.",
    inputs: {
      mixMl: "wanted altogether",
      partsA: "parts of base",
      partsB: "parts of hardener",
      partsC: "parts of thinner",
      densityA: "density of the base",
      densityB: "density of the hardener",
      potLifeMin: "pot life by the label",
      labelC: "at",
      cupC: "the cup is at",
      workMin: "the whole spraying takes",
    },
    lines: {
      aMl: "base",
      bMl: "hardener",
      cMl: "thinner",
      aG: "base, weighed",
      bG: "hardener, weighed",
      potMin: "pot life in this cup (est.)",
      batches: "batches",
      batchMl: "each of",
    },
    notes: {
      batches: "Mix in batches: the last quarter of a pot life pulls strings (est.).",
      "cold-cup": "In the cold the pot lives longer and the film cures longer: nothing is won.",
      "small-part": "So little hardener is weighed, not measured by eye: a drop too much or too few changes the film.",
      leftover: "What is left over hardens in the cup; never back into the tin. Skin and lungs: the sheet decides.",
    },
  },
  film: {
    title: "Wet film and dry film",
    about: "One from the other, by the share of the paint that stays.",
    inputs: { way: "from", filmUm: "film", solidsPct: "volume solids", ...PARTS },
    lines: FILM_LINES,
  },
  "weigh-in": {
    title: "Weigh it in",
    about: "The film that lies there, from what the part gained on the scale.",
    inputs: {
      gainG: "gained",
      state: "weighed",
      areaCm2: "area",
      densityGMl: "density of what was weighed",
      solidsPct: "volume solids",
      plannedWftUm: "planned wet film",
    },
    lines: { ...FILM_LINES, ofPlanPct: "of what was planned" },
    notes: {
      half: "Far less than planned: count it as half a coat, and weigh again before the next.",
      twice: "Far more than planned: it dries far longer, and may run. Tell it when the coat is done.",
      "flies-off": "Weigh within a minute: a wet film loses weight while one looks.",
    },
  },
  hide: {
    title: "Coats to hide",
    about: "Coats of a colour until the ground no longer shows, and which ground would save some.",
    inputs: {
      colour: "colour",
      ground: "over",
      opaqueUm: "dry film at which it hides",
      coatUm: "dry film a coat",
    },
    lines: { coats: "coats", filmUm: "dry film then" },
    columns: { ground: "ground", coats: "coats", saves: "saves" },
    notes: {
      never: "It does not hide this ground within thirty coats: choose another ground.",
      undercoat: "Another ground saves more than a coat.",
      "solid-only":
        "For solid colours. Metallic, pearl, fluorescent and transparent ones go by their ground: a label, a rule or a coupon tells.",
    },
  },
  recipe: {
    title: "Mix a colour",
    about: "The nearest mixes for a shade from the paints of the shelf that may share a cup, in whole parts.",
    inputs: { target: "wanted shade", most: "paints at the most", mixMl: "made altogether" },
    lines: { deltaE: "nearest is off by, ΔE2000 (est.)", mixes: "mixes" },
    columns: {
      mix: "mix",
      shade: "shade",
      deltaE: "off by",
      paint: "paint",
      parts: "parts",
      ml: "of it",
      drops: "drops",
    },
    notes: {
      "no-paints":
        "No solid colour of the shelf has a shade that somebody told. Tell the colour of some paints under Shelf first.",
      "out-of-gamut": "Nothing here comes near this shade; the nearest is shown, and how far off it is.",
      "wet-shade":
        "A wet mix is not its dry shade: brush a little out, let it dry, compare, and correct by the drop. Mix enough for touch-ups.",
    },
  },
  photo: {
    title: "Shade from a photo",
    about:
      "The shade of a patch photographed beside a grey card, put right for the light it was taken in: something to mix towards.",
    inputs: { patch: "patch in the photo", card: "card in the photo", cardPct: "card reflects" },
    lines: { lighter: "made lighter by a factor of", cast: "colour cast of the light, as a factor" },
    columns: { shade: "shade (est.)", asSeen: "in the photo" },
    notes: {
      cast: "The light was strongly coloured: take it again in daylight, out of the sun.",
      card: "The card is all but black or white in the photo: expose it so that it is grey, and tell what it reflects.",
      clipped: "The patch comes out brighter than white: the card lay in shade, or its figure is too high.",
      rough: "A photograph is a rough guide: mix, brush out, let it dry, and compare with the thing itself.",
    },
  },
  ladder: {
    title: "Ladder of papers",
    about: "The fewest papers from one grit to another, what the last one leaves, and what hides it.",
    inputs: {
      from: "from grit",
      to: "to grit",
      scale: "scale",
      wet: "rubbed wet",
      owned: "grits at hand (none = all)",
      under: "goes under a",
      strict: "gloss, black or metallic over it",
      coatUm: "dry film a coat",
    },
    lines: {
      papers: "papers",
      leftUm: "the last leaves scratches of (est.)",
      hiddenByUm: "hidden by a dry film of (est.)",
      coats: "that is coats",
    },
    columns: { grit: "grit", grainUm: "grain", scratchUm: "leaves" },
    notes: {
      backwards: "The last paper is coarser than the first.",
      jump: "With the papers at hand there is no way without a jump: the scratches of the first stay.",
      finer: "More than three coats to hide it: end on a finer paper.",
    },
  },
  ridge: {
    title: "Bury print lines",
    about: "How high the ridges stand, and the coats of filler that bury them.",
    inputs: {
      layerUm: "layer height",
      leanDeg: "lean of the face, 0 = level, 90 = upright",
      way: "filler is",
      coatUm: "dry film a coat",
    },
    lines: { ridgeUm: "ridge", coats: "coats", filmUm: "dry film then" },
    notes: { "putty-first": "More than four coats of filler: putty or a rub down first is quicker." },
  },
  skins: {
    title: "Putty in skins",
    about: "How many skins a depth takes, what they sink, and how long it all takes.",
    inputs: {
      depthUm: "depth",
      maxSkinUm: "deepest skin by the label",
      shrinkPct: "shrinks by",
      perSkinMin: "wait after each skin",
    },
    lines: {
      skins: "skins",
      laidUm: "laid altogether",
      proudUm: "stands proud by",
      totalMin: "until the last can be rubbed",
    },
    notes: {
      "other-filler": "More skins than anybody lays: take a filler that hardens by itself.",
      sinks: "A filler that loses so much goes on sinking: rub it late, and look again.",
    },
  },
  gap: {
    title: "Which filler",
    about: "Every filler of the shelf for one gap, best first, with why not.",
    inputs: {
      depthUm: "depth",
      widthUm: "width",
      through: "goes right through",
      material: "in",
      detailUm: "finest detail beside it",
    },
    lines: { fillers: "fillers on the shelf", fit: "of them fit" },
    columns: { filler: "filler", verdict: "verdict", skins: "skins", sandable: "rubs after", why: "why" },
    notes: { none: "There is no putty on the shelf." },
  },
  detail: {
    title: "What detail stands",
    about: "How much of a groove the film takes, and how many coats are left before it suffers.",
    inputs: { grooveUm: "width of the groove", buildUm: "dry film on it so far", coatUm: "dry film a coat" },
    lines: {
      lostPct: "lost so far (est.)",
      coatsToCare: "coats until it goes soft (15 %)",
      coatsToStop: "coats until it is gone (30 %)",
      closedAtUm: "closed by a film of",
    },
    notes: {
      gone: "It is gone: rescribe it, or take paint off.",
      soft: "It has gone soft: thin coats only from here.",
    },
  },
  fit: {
    title: "Will it still fit",
    about: "Room left between two faces once both are painted.",
    inputs: {
      joint: "joint",
      clearanceUm: "clearance bare",
      filmOneUm: "film on the one",
      filmOtherUm: "film on the other",
    },
    lines: { usedUm: "taken by the film", leftUm: "room left", reliefUm: "to take off each face" },
    notes: {
      "keep-bare": "It will not go together: mask one of the faces, or take so much off before paint.",
      tight: "It goes together once, and scrapes as it does.",
    },
  },
  mass: {
    title: "What paint weighs",
    about: "Weight of a dry film, against a budget.",
    inputs: { areaCm2: "area", dryUm: "dry film", dryGMl: "density of the dry film", budgetG: "budget" },
    lines: { massG: "weighs", leftG: "left of the budget", mostUm: "film the budget allows" },
    notes: { over: "Over the budget: fewer or thinner coats, or a lighter filler." },
  },
  "warm-can": {
    title: "Warm a can",
    about: "Minutes in warm water, and what that does to the pressure.",
    inputs: { packMl: "size of the can", fromC: "it is at", toC: "wanted", propellant: "propellant" },
    lines: { min: "in the water (est.)", pressurePct: "pressure rises by (est.)" },
    notes: {
      "warm-enough": "It is warm enough as it is.",
      "never-hotter":
        "Water warm to the hand, never hotter than 45 °C; never on a heater, in the sun, over a flame or in a microwave.",
      shake: "Dry it, shake it two minutes, test on card.",
    },
  },
  gun: {
    title: "Warm air gun",
    about: "How warm its air is where it meets the part, and how near it may come.",
    inputs: {
      material: "material",
      dialC: "dial",
      nozzleMm: "nozzle width",
      distanceCm: "distance",
      roomC: "room",
    },
    lines: {
      jetC: "air at the part (est.)",
      limitC: "the material stands",
      nearestCm: "no nearer than, the dial a fifth off (est.)",
    },
    notes: {
      "too-near": "So near it softens or warps: farther off, or a lower setting.",
      "keep-moving": "Keep it moving: held still, a thin wall takes the heat of the air within seconds.",
      "never-wet": "Never on paint still wet with solvent: bubbles, and fire.",
    },
  },
  "warm-part": {
    title: "Warm a part",
    about: "How long it lies in the warm, and how long it stays warm enough afterwards.",
    inputs: {
      material: "material",
      fromC: "it is at",
      boxC: "warm box",
      toC: "wanted",
      roomC: "room",
      rhPct: "room",
      stayAboveC: "has to stay above",
    },
    lines: {
      reachMin: "until it is there (est.)",
      staysMin: "stays warm enough (est.)",
      limitC: "the material stands",
      dewC: "dew point of the room",
    },
    notes: {
      "box-too-cool": "The box never brings it there.",
      "too-hot": TOO_HOT,
      dew: "As cold as it is, it mists over in this room: dry it again once it is warm.",
      stays: "The room itself is warm enough: it stays.",
    },
  },
  box: {
    title: "What a warm box is worth",
    about: "Hours in the box against hours in the room, and what it costs.",
    inputs: {
      boxC: "box",
      roomC: "room",
      rhPct: "room",
      hours: "for",
      litres: "size",
      wall: "made of",
      material: "part of",
    },
    lines: {
      rhPct: "humidity in the box",
      watts: "heat it takes (est.)",
      wattHours: "energy (est.)",
      limitC: "the material stands",
    },
    columns: { what: "what it hurries", factor: "faster by", roomH: "worth in the room" },
    notes: {
      "too-hot": TOO_HOT,
      "no-warmer": "It is no warmer than the room.",
      fire: "No flame, no glowing wire, no fresh solvent in a closed box: let the film flash off outside first.",
    },
  },
  "dry-part": {
    title: "Dry after water",
    about: "When a washed or wet-rubbed part may be coated: its face, its body, its joints.",
    inputs: {
      material: "material",
      how: "it was",
      joints: "has joints or hollows",
      blownOut: "they were blown out",
      covered: "a film lies over it",
      tempC: "air",
      rhPct: "air",
      airflowMS: "air moves at",
    },
    lines: { faceMin: "a plain face (est.)", bodyMin: "this material (est.)", allMin: "all of it (est.)" },
    notes: {
      "blow-out": "Blow the joints out first: most of the wait is their water.",
      damp: "In air so damp little dries: warm it, or move the air.",
      soaks: "It drinks water: it feels dry long before it is.",
    },
  },
  light: {
    title: "Seconds under the lamp",
    about: "Light for a film of resin or gel, from what the lamp meter read.",
    inputs: {
      readMwCm2: "lamp read",
      readCm: "at",
      partCm: "the part lies at",
      ecMjCm2: "Ec of the resin",
      dpUm: "Dp of the resin",
      depthUm: "depth",
      sides: "sides",
    },
    lines: {
      atPartMwCm2: "light on the part (est.)",
      sideS: "a side",
      totalMin: "altogether",
      deepestUm: "deepest in half an hour",
    },
    notes: {
      "too-deep": "Light does not come so deep: lay it in thinner films, each under the lamp.",
      eyes: "Never look into it; glasses for that wavelength, and gloves until it is hard.",
    },
  },
  "resin-cure": {
    title: "Is the print cured",
    about: "What a vat-printed part may take now.",
    inputs: {
      washed: "washed",
      dryH: "dry since",
      hollow: "inside it is",
      sideMin: "under the lamp, a side",
      sides: "sides so",
      atPartMwCm2: "light on the part",
    },
    lines: {
      sharePct: "of the light it wants (est.)",
      needsMin: "wants, a side (est.)",
      moreMin: "still to give, all sides",
    },
    notes: {
      wash: "Not washed: uncured resin bleeds through paint for weeks. Wash it first.",
      "dry-first": "Wash liquid is still in it: let it dry before the lamp, or it clouds and cracks.",
      drain: "Closed and hollow: what is inside weeps out later. Drill, drain, rinse, cure the inside.",
      turn: "Only one side saw the lamp: turn it.",
      "more-light": "It wants more light before paint.",
      brittle: "Far more than it wanted: it goes brittle and yellow.",
      paintable: "It may be keyed and primed.",
      "never-read": "The lamp was never read: an ordinary box is assumed.",
    },
  },
  glue: {
    title: "Which glue",
    about: "Every adhesive of the shelf for a joint, best first, with why not.",
    inputs: { one: "one part", other: "the other", load: "the joint", faceMm2: "smaller face", tempC: "air" },
    lines: { glues: "adhesives on the shelf", fit: "of them fit" },
    columns: {
      glue: "adhesive",
      verdict: "verdict",
      sets: "holds after",
      works: "works after",
      needs: "needs a face of",
      why: "why",
    },
    notes: {
      none: "There is no adhesive on the shelf.",
      "clear-parts": "Near clear parts and paint: no fumes of instant glue, no accelerator.",
    },
  },
  cost: {
    title: "What it costs",
    about: "Paint used and hours spent, in your own money.",
    inputs: {
      canMl: "out of the can or jar",
      packMl: "pack holds",
      packPrice: "pack costs",
      handsOnMin: "hands-on",
      perHour: "an hour is worth",
    },
    lines: { paint: "paint", work: "work", total: "altogether", packs: "packs to have" },
  },
  dew: {
    title: "Dew point",
    about: "Whether a part sweats in this air.",
    inputs: { tempC: "air", rhPct: "air", partC: "the part is at" },
    lines: { dewC: "dew point", marginC: "the part stands above it by" },
    notes: {
      wet: "It is wet now, seen or not: nothing goes on.",
      close: "Less than 3 °C above the dew point: it blooms and fish-eyes. Warm the part first.",
      clear: "Clear of the dew point.",
    },
  },
  convert: {
    title: "Convert",
    about: "There and back.",
    inputs: { value: "value", units: "between" },
    lines: { there: "forth", back: "back" },
  },
  grits: {
    title: "Grit scales",
    about: "The nearest paper of the other scale.",
    inputs: { grit: "grit", from: "scale" },
    lines: { nearest: "nearest of the other scale", ownUm: "grain", nearestUm: "its grain" },
    notes: { "never-equal": "The scales are never equal by number; above 220 they part quickly." },
  },
};
