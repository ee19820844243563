import type { PlacedVerdict } from "@/core/judge";
import type { Carrier, Verdict } from "@/core/model";
import type { AdviceKey, Remedy } from "@/core/rules";
import { figureShown, inUnits, unitShown } from "@/format";
import { BEFORE_NAME, CARRIER_NAME, HEAVINESS_NAME, MILESTONE_NAME, PREP_NAME, VERDICT_NAME } from "./vocabulary";

/** Reasons, one sentence a rule. Every rule id of the catalogue has its words here; a test says so. */
export const REASON: Readonly<Record<string, string>> = {
  "first-holds": "The first layer suits this face as prepared.",
  "seam-holds": "Carrier, state of the film below and label agree.",
  "seam-same-product": "A further coat of the same product, inside its window.",
  "missing-fact": "Something that decides this is not known.",
  "assumed-decides": "A figure nobody gave decides this; the family’s usual one stands in.",
  "coupon-failed": "Your own coupon of these layers on this material failed.",
  "key-gone-stale": "The metal was keyed too long ago: its oxide is back.",
  "etch-on-old-or-sealed": "Etch does nothing on a film and its acid harms it.",
  "etch-on-bare-spots": "Etch only on the bare spots, feathered over your own primer.",
  "filled-lines-unprimed": "Filled lines show as patches without primer over them.",
  "wash-on-bare-polystyrene": "Spirit washes that pool in stressed joints of bare polystyrene crack them.",
  "old-unknown-mild": "The old finish is of unknown kind: a rub test and a trial first.",
  "old-unknown-strong": "The old finish is of unknown kind, and this carrier lifts most of them.",
  "old-softens": "The old finish softened under a solvent rub.",
  "old-softens-strong": "The old finish softened under a solvent rub; this carrier takes it up.",
  "old-isolated": "The old finish is isolated by a cured film; still keep coats light.",
  "old-shines-through": "Nothing isolates the unknown old finish from this carrier.",
  "old-not-isolated": "Nothing isolates the unknown old finish from this strong carrier.",
  "soft-foam-barrier-strong": "Even over a good barrier, this strong carrier on soft foam wants a trial.",
  "lacquer-before-flash": "The lacquer below has not flashed off: the pile holds solvent longer.",
  "etch-over-film": "Etch goes on bare metal, not over a film.",
  "spot-etch": "Renew the etch on the bare spots only, thin, feathered over what is there.",
  "porous-filler-on-foam": "Open filler over foam lets the solvent through to it.",
  "amine-blush": "The epoxy cured cold or damp and may carry an amine blush that has to be washed off.",
  "wash-same-class": "The wash dissolves the paint it is laid on: nothing of another family lies between.",
  "wash-same-class-test": "Wash and paint below share a carrier.",
  "wash-too-soon": "A brush full of wash drags at a film that is only dry to the touch.",
  "decal-silvers": "A decal on a matt film traps air and silvers.",
  "decal-on-matt-clear": "The matt clear comes after the decal, not under it.",
  "decal-on-dark": "A decal without a white ground vanishes on dark paint.",
  "clear-over-decal-mist": "A strong clear over a decal is safe only as mist.",
  "clear-over-decal": "A strong clear laid wet may wrinkle the decal.",
  "solvent-over-masking-fluid": "Solvent paint over masking fluid may weld it on.",
  "liquid-bare-care": "The liquid softens this material a little.",
  "liquid-bare-test": "The liquid may attack this material.",
  "liquid-bare-stop": "The liquid attacks this material.",
  "liquid-film-care": "The liquid softens the film it touches a little.",
  "liquid-film-test": "The liquid may lift the film it touches.",
  "liquid-film-stop": "The liquid attacks the film it touches in the state it is in.",
  "wipe-same-class": "The wipe dissolves the paint it is to clean.",
  "wipe-same-class-test": "Wipe and paint share a carrier.",
  "caustic-on-light-metal": "Caustic or acid cleaners eat aluminium and zinc.",
  "masking-fluid-on-solvent": "Masking fluid on solvent paint may not come off, or takes the paint with it.",
  "masking-fluid-on-young-acrylic": "Masking fluid grips water-borne acrylic that is not through cured.",
  "accelerator-on-paint": "Accelerator crazes and softens paint.",
  "adhesive-fumes": "The glue’s fumes frost clear parts.",
  "cement-welds-nothing": "Cement welds polystyrene and its like; on this material it only dries.",
  "cement-on-paint": "Cement melts the paint between the faces and welds nothing: keep them bare, or scrape them.",
  "glue-eats-foam": "This glue eats the foam.",
  "glue-foams": "It foams as it hardens: too much of it pushes the joint open and runs out over everything.",
  "water-glue-tight": "Its water finds no way out between two tight faces: it stays soft for days.",
  "joint-small": "Its face is small for what pulls at it: a knock on the end of the part peels it open (estimate).",
  "joint-knocked": "This glue is brittle: under a load that stays, or a knock, it lets go all at once.",
  "brittle-joint": "The joint bends with the part, and this glue is brittle: it cracks open.",
  "over-polish": "Wax and silicone of the polish are still on it: the next coat crawls.",
  "blasting-harms": "Blasting goes through this material, or eats it.",
  "bath-soaks-in": "It soaks the bath up and gives it back under the next paint.",
  "stripping-lead": "What comes off may hold lead: wet, with a P3 filter, and say so to whoever blasts it.",
  "stripper-on-lead": "What comes off may hold lead: keep it wet and collect it.",
  "skin-over-usual": "Deeper than such fillers usually take in one go; the label gives no limit.",
  "light-cannot-reach": "Light does not reach the depth: it stays liquid there.",
  "crack-too-fine": "A paste only bridges a crack this fine, and comes out again with the paper.",
  "gap-too-wide": "In a gap this wide what dries goes on sinking for weeks.",
  "gap-unfilled": "There is a gap to fill, and nothing in the pile fills it: paint only runs into it.",
  "soak-long":
    "It lies in its bath for long: plastics swell or warp in degreaser and warm water, foam and wood drink it.",
  "pits-unfilled": "Pits and bubbles stay dark dots through every coat; filler primer takes the small ones.",
  "gap-without-backing": "There is nothing behind the gap: the filler falls through or shrinks away.",
  "spot-rim-shows": "The rim of the spot stands up under the paint and draws a ring: feather it out first.",
  "ladder-jump": "The step between papers is too long: the next cannot take out the last one’s scratches.",
  "coats-too-close": "The next coat of this layer comes before the last has flashed off.",
  "coats-in-forbidden-gap": "The next coat of this enamel falls into its forbidden gap.",
  "coats-too-far-apart": "The next coat of this layer comes after its window, on a film too hard to hold it.",
  "coats-far-apart": "The next coat of this layer comes after its window.",
  "colour-shows-ground": "These coats do not hide what is below.",
  "weak-colour-on-dark": "Yellow, red, fluorescent and transparent colours need a pale ground.",
  "too-hot-in-service": "The part gets hotter in service than this film stands.",
  "too-hot-by-family": "Films of this family rarely stand that heat; the label does not say.",
  "tape-too-soon": "The tape goes on before the film is tape safe.",
  "high-tack-on-foam": "High-tack tape pulls the film off foam.",
  "high-tack": "High-tack tape may pull a film that is young or poorly gripped.",
  "tape-overdue": "The tape stays longer than such tape should.",
  "two-in-one-cup": "Two families mixed in one cup curdle or never cure.",
  "ranges-in-one-cup": "Two products of one family in one cup: nobody says they agree.",
  "wrong-thinner": "The thinner is not of the class this product takes.",
  "pot-life-over": "The mix is past its pot life before the session is done.",
  "mix-ratio-off": "Mixed off its ratio it never cures right.",
  "ratio-off": "Mixed off the label’s ratio.",
  "accelerator-near-paint": "Accelerator on or beside paint crazes it.",
  "fumes-near-clear": "Its fumes frost clear parts near by.",
  "heat-over-limit": "Warmer than this material stands.",
  "heat-unstated": "Warm drying without a temperature: stay under the material’s limit.",
  "heat-on-wet-solvent": "Warmth on a film still wet with solvent: fire and bubbles.",
  "bath-no-can": "There is no can to warm here.",
  "can-too-hot": "A can above 45 °C may burst.",
  "lead-rubbed-dry": "What is rubbed dry or heated here may hold lead.",
  "sanding-no-filter": "Sanding with no particle filter declared.",
  "red-or-yellow-fades": "Outdoors reds and yellows fade first, and nothing shields them.",
  "not-oil-proof": "The top film does not stand oil or fuel.",
  "scratch-shows": "The last paper’s scratches are deeper than what follows hides.",
  "scratch-shows-gloss": "The last paper’s scratches show through this finish.",
  "over-fit": "The film is thicker than the room the fit leaves.",
  "over-mass": "The film is heavier than the part’s budget.",
  "mass-unknown": "There is a weight budget but no area: the weight cannot be reckoned.",
  "frost-on-stock": "Frost tonight spoils water-borne paint left in the shed.",
  "bare-bite-care": "The carrier softens this material a little: keep the coats thin.",
  "bare-bite-mist": "The carrier may craze this plastic; mist coats stay safe.",
  "bare-bite-mist-wet": "Laid wet, the carrier may craze this plastic.",
  "bare-bite-test": "The carrier may attack this material; nobody can say without a trial.",
  "bare-bite-stop": "The carrier dissolves this material.",
  "foam-propellant": "The propellant or a close wet pass can eat bare foam even when the paint itself would not.",
  "slick-unkeyed-visible": "Nothing holds on this slick face until it is keyed, and it will be seen to flake.",
  "slick-unkeyed-hidden": "Nothing holds well on this slick face until it is keyed.",
  "slick-unkeyed-promoted": "The promoter grips better on a keyed face.",
  "needs-promoter": "Nothing sticks to this plastic without an adhesion promoter.",
  "wants-promoter": "Grip on this plastic is poor without a promoter or a flexible primer.",
  greasy: "Grease, silicone or release agent under the first layer makes it crawl and peel.",
  "keyed-over-grease": "Keyed before it is clean: the paper rubs grease and release agent into the scratches.",
  "surplus-left": "Flash, mould lines, support marks or strings stay on it: every coat shows them more.",
  "fit-untried": "Nobody tried the fit: a fault found after the paint is on costs the paint.",
  dusty: "Dust under a film stays there.",
  damp: "Water in the face or its joints boils out as bubbles.",
  residue: "Flux or acid under a film keeps working.",
  "rust-left": "Rust under a film goes on growing.",
  tarnished: "Tarnish holds badly; the film lifts with it.",
  "hollow-undrained": "A closed hollow holds resin or wash: it weeps through every film, months later.",
  "drain-without-hole": "There is no hole to drain it through: what is inside stays inside.",
  "hollow-unknown": "Is it hollow inside? Resin shut in there weeps months later.",
  "wash-unknown-release": "Nothing says it was washed, and cast resin comes out of the mould with release agent on it.",
  "wash-unknown-resin": "Nothing says it was washed: raw resin left on the skin never dries under paint.",
  "wash-unknown": "Nothing says it is clean: finger grease and release agent make paint crawl.",
  "colour-on-rough-cast": "The rough casting keys the colour; a primer holds longer.",
  "colour-on-rough-cast-show":
    "On a rough casting for show, colour without primer is a gamble at edges and high spots.",
  "soft-foam-wet-pass": "A wet pass of this carrier goes through the barrier and eats the soft foam.",
  "putty-sprayed": "Putty is never sprayed, thinned or not: its dust and resin go into the lungs.",
  "light-unknown": "Nobody knows which light cures this resin, or how deep: it may stay tacky.",
  "past-its-date": "It is past the date on its label.",
  "tape-on-bare-slick": "Under this film is bare slick plastic: even gentle tape may take it off.",
  "strong-tape-on-bare-slick": "Under this film is bare slick plastic: such tape takes it off.",
  "lead-prep-dry": "Brushing, derusting or dusting off dry raises dust that may hold lead.",
  "oil-proof-unsaid": "The card does not say whether it stands oil and fuel, and such binders differ.",
  "water-colour-unsealed": "Water-borne colour left without a clear rubs off where it is handled or gets wet.",
  "polish-too-soon": "The film is not hard enough to polish yet: it drags and dulls.",
  "polish-too-soon-show": "The film is not hard enough to polish yet: on a show face the drag stays to be seen.",
  "etch-rubbed": "A scuff rubs through etch: where it has gone, the metal is bare again.",
  "etch-round-putty": "Etch round a spot of cured putty, thin, for the bare metal there.",
  "etch-under-polyester": "Polyester filler lifts etch: its styrene and the acid work against each other.",
  "etch-under-epoxy-primer":
    "Epoxy primer does not cure against the acid of an etch. (An epoxy putty over cured etch holds.)",
  "water-wash-cured": "A water wash over cured water-borne colour: it holds, if it is not rubbed.",
  "damage-after-dirt": "Worn metal over dirt looks wrong, and the wash below comes off under the brush.",
  "resin-uncured": "Uncured or trapped resin weeps through every film, months later.",
  "resin-cure-unknown": "If the resin is cured on top only, it weeps later.",
  "eva-open": "Open foam drinks the coat and shows its cells.",
  "steel-flash-rust": "Water on bare steel rusts it under the coat within minutes.",
  "steel-plain-primer": "An ordinary primer only just holds on bare steel.",
  "metal-plain-primer": "An ordinary primer only just holds on this metal.",
  "metal-poor-grip": "An ordinary primer grips this metal poorly, even keyed.",
  "etch-on-brass": "Etch bites brass less than steel: key hard, stay thin.",
  "etch-on-stainless": "Etch hardly bites stainless or plating.",
  "etch-not-on-metal": "Etch primer needs bare metal; here its acid does harm or nothing.",
  "colour-on-slick": "Colour straight on a slick face has no grip to speak of.",
  "colour-on-slick-exposed": "Colour straight on a slick face that is handled, outdoors or for show will chip.",
  "combined-on-slick": "Combined paint-and-primer is weaker than a separate primer here.",
  "porous-unsealed": "The open face drinks the coat unevenly.",
  "putty-not-on-bare": "The putty’s label does not allow bare material.",
  "label-not-on-bare": "The label does not list bare material.",
  "polyester-on-polystyrene": "The styrene in polyester filler dissolves polystyrene.",
  "keep-bare": "This face must stay clear, or mates with another.",
  "foam-barrier-ok-thin": "A good barrier and thin passes may keep this carrier off the foam; only a trial tells.",
  "foam-barrier-mild": "The barrier keeps a mild carrier off the foam as long as coats stay light.",
  "foam-barrier-wet-pass": "Wet passes carry solvent through the barrier into the foam.",
  "foam-barrier-thin":
    "The barrier over the foam is too thin, or will not be through cured: three coats and 60 µm are the least.",
  "soft-foam-barrier": "Over this barrier the soft foam takes thin passes.",
  "soft-foam-no-barrier": "The barrier may be too little for this carrier over soft foam.",
  "seam-bite-care": "The carrier softens the film below a little.",
  "seam-bite-test": "The carrier may lift the film below.",
  "seam-bite-stop": "The carrier attacks the film below in the state it will be in.",
  "seam-redissolve-wet": "The carrier re-dissolves the film below: right in light coats, risky wet.",
  "alkyd-forbidden-gap": "The enamel below is in its forbidden gap: this carrier wrinkles it.",
  "forbidden-gap": "The film below is between its two windows.",
  "window-not-open-traps": "The film below is too fresh: this coat traps or wrinkles it.",
  "window-not-open": "The recoat window below is not open yet.",
  "window-missed-scuffed": "The window below is past; the scuff makes up for it if it is clean.",
  "window-missed-hard": "The window below is past and the film too hard to hold the next one unscuffed.",
  "window-missed": "The window below is past.",
  "promoter-missed": "A promoter past its window, or rubbed, no longer holds anything: lay it afresh.",
  "etch-missed":
    "The etch was not covered within its day: it no longer grips, and a scuff only rubs it through. Lay a fresh etch on the bare metal, or strip.",
  "putty-not-on-primed": "The putty’s label does not allow this film below it.",
  "label-not-on-this-film": "The label does not list the film below.",
  "two-part-still-soft":
    "The label of the film below tells when its own system goes on; under another kind of paint it still gives off solvent. Better once it can be sanded.",
  "hard-over-soft": "A hard film over enamel that is still soft cracks.",
  "two-part-over-old": "Two-pack over enamel or lacquer may lift it.",
  "water-over-gloss": "Water-borne paint slides off cured gloss.",
  "gloss-other-family": "Gloss of another family gives the next film little to hold.",
  "water-over-wet-solvent": "Solvent still has to leave the film below.",
  "yellowing-over-pale": "This clear yellows, and the colour below is pale.",
  "yellowing-over-pale-show": "This clear yellows, and the pale colour below is for show.",
  "colour-on-filler": "Filler under colour shows as a patch without primer.",
  "porous-filler-solvent": "The filler below drinks solvent.",
  "flex-brittle": "A brittle film on a part that bends cracks.",
  "flex-stiff": "The part bends and this film does not.",
  "skin-too-thick": "One coat is deeper than the product’s limit: it stays soft or cracks.",
  "sands-through": "The planned rub takes off more than this layer.",
  "sands-through-foam": "The planned rub opens the barrier over the foam.",
  "isocyanate-sprayed": "Sprayed isocyanate without air-fed protection and extraction.",
  "isocyanate-unknown":
    "A sprayed two-part product that may hold isocyanate, without air-fed protection and extraction.",
  "solvent-sprayed-bare-faced": "Spraying solvent with neither extraction nor vapour filter declared.",
  "spray-no-filter": "Spraying with no particle filter declared.",
  "detail-softened": "The build fills a good part of the finest groove.",
  "detail-drowned": "The build drowns the finest groove.",
  "ridge-shows": "The filler build does not bury the ridges.",
  "ridge-shows-gloss": "The filler build does not bury the ridges, and this finish shows everything.",
  "no-uv-protection": "Outdoors this top coat fades or chalks; reds and yellows first.",
  "etch-left-bare": "Etch must be covered.",
  "promoter-left-bare": "Promoter must be covered.",
  "gloss-on-hidden-prep": "Gloss and metallic show everything that “hidden” preparation leaves.",
  "many-reversible-coats": "Many coats of one lacquer trap solvent.",
  "air-below-limit": "Colder than the label allows.",
  "air-above-limit": "Warmer than the label allows.",
  "air-below-film-forming": "Too cold for this paint to become a film.",
  "air-too-damp": "Damper than the label allows.",
  "air-near-dew-point": "Less than 3 ∆°C above the dew point: the coat would go over moisture.",
  "air-blush": "Damp air blushes lacquer.",
  "air-blush-clear": "Damp air blushes clear lacquer white.",
  "cold-aerosol": "A cold can spatters.",
};

const ADVICE: Readonly<Record<AdviceKey, string>> = {
  "weaker-carrier": "Choose a product with a weaker carrier.",
  "barrier-first": "Put a water-borne barrier on first.",
  coupon: "Try it on a scrap of the same material first.",
  "promoter-first": "Put an adhesion promoter made for it on first.",
  "flexible-product": "Choose a flexible product.",
  "dry-first": "Let the part dry, joints included.",
  "wash-first": "Wash it first.",
  "post-cure": "Post-cure it fully.",
  derust: "Take the rust off.",
  "etch-or-epoxy": "Etch or epoxy primer holds better.",
  "other-primer": "Choose the primer made for this material.",
  "primer-first": "Put a primer under it.",
  "seal-first": "Seal it first.",
  "more-barrier": "Raise the barrier to three coats and 60 µm, and let it cure.",
  "mask-it": "Mask it, or keep it bare.",
  "other-product": "Choose another product.",
  "find-out": "Find it out: label, data sheet or a rub test.",
  "wear-protection": "Extraction or an A2P3 filter: declare it under Settings.",
  reapply: "Put it on afresh inside its window.",
  "cover-it": "Cover it with a primer or colour.",
  "thinner-skins": "Build it in thinner skins, each dried.",
  "fewer-coats": "Fewer or lighter coats.",
  "soak-shorter": "Half an hour at most, then scrub, and again if need be.",
  "putty-first": "More filler primer, sanded, or putty first.",
  "uv-clear": "Finish with a UV-resistant clear.",
  "raise-finish": "Raise the finish level and its preparation.",
  "sand-less": "Rub less, or build more first.",
  "warm-room": "Warm the room.",
  "wait-for-air": "Wait for better air; the plan does.",
  "cool-room": "Wait for cooler hours.",
  "hand-warm-can": "Warm the can in hand-warm water, never above 45 °C.",
  "other-filler": "Choose another filler.",
  "close-surface": "Close it with brief hot air, then a flexible sealer.",
  "key-again": "Key it again just before.",
  "other-clear": "Choose a clear that does not yellow.",
  "rub-test": "Rub it with solvent in a hidden spot and enter what happened.",
  "strip-it": "Strip it; by hand on aluminium, zinc and plastics.",
  "isolate-it": "Isolate it with a cured barrier of another kind.",
  "clear-between": "Put a clear of another family between them.",
  "gloss-first": "Put a gloss clear under the decal.",
  "decal-before-matt": "Decal first, matt clear last.",
  "light-ground": "Lay a white or silver ground first.",
  "tape-instead": "Use low-tack tape instead.",
  "strip-by-hand": "Take it off by hand: scrape or wet-sand.",
  "mild-cleaner": "Use a mild, neutral cleaner.",
  "hold-without": "Hold the joint by hand until it sets by itself.",
  "ventilate-or-other-glue": "Ventilate well, or use another glue near clear parts.",
  "collect-waste": "Keep it wet, wear a filter, collect the waste.",
  "back-it": "Back the gap and press the filler in.",
  "prime-again": "Prime the bare spots again.",
  "step-between": "Put a paper between them.",
  "more-coats": "More coats.",
  "other-undercoat": "Choose a ground nearer the colour, or white.",
  "low-tack": "Use low-tack tape.",
  "pull-in-time": "Pull it earlier, while the edge is soft.",
  "one-product": "Never two products in one cup.",
  "right-thinner": "Use the thinner its label names.",
  "smaller-batches": "Mix smaller batches.",
  "by-the-ratio": "Measure the parts by the label’s ratio.",
  "less-heat": "Warm it less, or leave it to the air.",
  "wet-and-filter": "Wet-sand only, with a P3 filter; collect the waste.",
  "lead-test": "Test it for lead first.",
  "oil-proof-top": "Finish with a two-pack that stands fuel.",
  "finer-step": "Rub with a finer paper, or lay more film over it.",
  "lighter-system": "Choose thinner or lighter products.",
  "measure-area": "Enter the area.",
  "bring-in": "Bring the jar indoors tonight.",
  "spread-it": "Spread or brush it; it is no paint.",
  "lamp-passes": "Thin skins, lamp passes until no tack is left under a gloved finger.",
  "test-patch": "Try it on a scrap first, or use a fresh one.",
  "seal-it": "Seal it with a clear.",
  "etch-or-texture": "Two schools: the texture is key enough; or etch and prime, which holds longer.",
  "etch-or-putty-first":
    "Two schools: etch first, then the putty keys into it; or putty on the metal, then a thin etch round it. Both hold.",
  "epoxy-putty": "An epoxy putty over cured etch holds; polyester needs a primer between.",
  "epoxy-alone": "Epoxy primer goes on the clean keyed metal itself, without etch.",
  "wipe-gently": "Work quickly, dab instead of rubbing.",
  "pin-it": "Drill both sides and set a pin of wire or rod into the joint.",
  "stronger-glue": "Choose a stronger adhesive, or make the face larger: a flange, a tenon, a block behind it.",
  "tough-glue": "Choose a tough adhesive, such as a slow two-part epoxy.",
  "clamp-and-trim":
    "A thin smear on one damped side, paper under it, clamped until it has set; trim the foam before any filler.",
  "thin-bead": "A thin bead at the edge only, and a day to dry; or an adhesive that hardens by itself.",
  "drill-first":
    "Drill two holes where they will not be seen, high and low; then drain, wash inside, and plug them once it is cured.",
  "run-in":
    "Run thin instant glue or thinned stopper into it, wipe off what stands over; a paste over that, if it still shows.",
  "hardens-itself":
    "A filler that hardens by itself, or strips of the same material glued in first and the paste over them.",
  "stir-warm": "A pot is brought into the warm and stirred; only a spray can stands in warm water.",
  "clean-then-key": "Degrease or wash first, then key.",
  "damage-first": "Chips and worn metal first, dirt over them.",
};

export function remedyText(r: Remedy): string {
  switch (r.do) {
    case "add-prep":
      return `Add: ${PREP_NAME[r.step].toLowerCase()}`;
    case "add-before":
      return `Add before it: ${BEFORE_NAME[r.step].toLowerCase()}`;
    case "set-heaviness":
      return `Lay it ${HEAVINESS_NAME[r.heaviness]}`;
    case "add-rub":
      return "Feather its rim: a rub behind it";
    case "renew-below":
      return "Lay the coat below afresh";
    case "wait-for":
      return r.milestone === "window"
        ? "Let the plan find the window"
        : `Let the plan wait: ${MILESTONE_NAME[r.milestone]}`;
    case "advice":
      return inUnits(ADVICE[r.key]);
  }
}

const MISSING: Readonly<Record<string, string>> = {
  "region.material": "the material",
  "product.carriers": "the product’s carrier",
  "product.family": "the product’s family",
  "product.propellant": "the can’s propellant",
  "product.sheen": "the product’s sheen",
  "product.effect": "the colour’s effect",
  "product.colour": "the colour",
  "product.flexible": "whether the film stays flexible",
  "product.yellowing": "whether the clear yellows",
  "product.uvResistant": "whether the film stands sunlight",
  "product.combinedPrimer": "whether it is paint and primer in one",
  "product.rustInhibitor": "whether it holds a rust inhibitor",
  "product.activator": "whether it is an accelerator",
  "product.thinnerCarriers": "the thinner its label allows",
  "thinner.carriers": "what the thinner is made of",
  "region.conditions": "the condition of the face",
  "region.finish": "how closely it will be seen",
  "region.exposure": "what it will be exposed to",
  "region.sealed_by": "what it is sealed with",
  "region.sealed_by.cured": "whether the seal is through cured",
  "region.old_finish.age_days": "the age of the old finish",
  "layer.gap_min": "how long the film below has had",
};
export const missingText = (keys: readonly string[]): string => keys.map((k) => MISSING[k] ?? k).join(", ");

/** What finding a missing fact out would change, in one sentence; empty where nothing hangs on it. */
export function wouldText(would: readonly { rule: string; verdict: Verdict }[] | undefined): string {
  if (!would || would.length === 0) return "";
  const each = [...new Map(would.map((w) => [w.rule, w])).values()];
  return `Found out, it may come to: ${each.map((w) => `${VERDICT_NAME[w.verdict].toLowerCase()} (${reasonOf(w.rule)})`).join("; ")} Or to nothing.`;
}

const CARRIER_BITES: Readonly<Record<Carrier, string>> = {
  water: "the water",
  alcohol: "the alcohol",
  "glycol-ether": "the glycol ether",
  aliphatic: "the white spirit",
  aromatic: "the aromatic (xylene kind)",
  ester: "the ester (acetate kind)",
  ketone: "the ketone (acetone kind)",
  ether: "the ether",
  "reactive-diluent": "the styrene or reactive diluent",
};
const UNIT = { um: "µm", c: "°C", pct: "% RH", coats: "coats" } as const;

/** The figures behind a verdict, in one sentence; empty where it has none. */
function detailText({ detail, code }: Pick<PlacedVerdict, "detail" | "code">): string {
  if (!detail) return "";
  if (detail.bites && detail.bites.length > 0)
    return ` It is ${detail.bites.map((c) => CARRIER_BITES[c]).join(" and ")} that ${detail.bites.length > 1 ? "bite" : "bites"}.`;
  const { actual, limit, unit } = detail;
  if (actual === undefined || unit === undefined) return "";
  if (unit === "coats")
    return limit === undefined ? " No number of coats hides it." : ` ${limit} coats would; ${actual} are planned.`;
  const figureText = (x: number) => `${figureShown(x, UNIT[unit])} ${unitShown(UNIT[unit])}`;
  const what = code.startsWith("heat") ? "The part" : "It";
  return limit === undefined
    ? ` ${what}: ${figureText(actual)}.`
    : ` ${what}: ${figureText(actual)}, limit ${figureText(limit)}.`;
}

/** A verdict in words: its reason, the figures behind it, what is missing and which answer would be fine. */
export function verdictText(v: Pick<PlacedVerdict, "code" | "missing" | "detail" | "fine" | "rest" | "zone">): string {
  const fine =
    v.fine === undefined
      ? ""
      : v.fine.length === 0
        ? " No carrier would be fine here."
        : ` Fine: ${v.fine.map((c) => CARRIER_NAME[c]).join(" or ")}${v.fine[0] === "water" ? ", or none" : ""}.`;
  const proof = v.missing.includes("product.carriers") ? " The word acrylic on a can proves nothing." : "";
  const where = v.rest ? "On the face around the spots: " : v.zone === undefined ? "" : `Zone ${v.zone}: `;
  return `${where}${reasonText(v.code, v.missing)}${detailText(v)}${fine}${proof}`;
}

/** A rule in the words of the catalogue and the reader's units. */
export const reasonOf = (code: string): string => inUnits(REASON[code] ?? code);

export function reasonText(code: string, missing: readonly string[]): string {
  const base = reasonOf(code);
  return missing.length > 0 ? `${base} Missing: ${missingText(missing)}.` : base;
}
