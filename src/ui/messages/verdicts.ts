import type { AdviceKey, Remedy } from "@/core/rules";
import { BEFORE_NAME, HEAVINESS_NAME, MILESTONE_NAME, PREP_NAME } from "./vocabulary";

/** Reasons, one sentence a rule. Every rule id of the catalogue has its words here; a test says so. */
export const REASON: Readonly<Record<string, string>> = {
  "first-holds": "The first layer suits this face as prepared.",
  "seam-holds": "Carrier, state of the film below and label agree.",
  "seam-same-product": "A further coat of the same product, inside its window.",
  "missing-fact": "Something that decides this is not known.",
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
  dusty: "Dust under a film stays there.",
  damp: "Water in the face or its joints boils out as bubbles.",
  residue: "Flux or acid under a film keeps working.",
  "rust-left": "Rust under a film goes on growing.",
  tarnished: "Tarnish holds badly; the film lifts with it.",
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
  "promoter-missed": "The promoter works only inside its window, unsanded.",
  "etch-missed": "The etch is past its window.",
  "etch-under-polyester-or-epoxy": "Etch under polyester filler or epoxy lets go.",
  "putty-not-on-primed": "The putty’s label does not allow this film below it.",
  "label-not-on-this-film": "The label does not list the film below.",
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
  "air-near-dew-point": "Less than 3 °C above the dew point: the coat would go over moisture.",
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
  "wear-protection": "Extraction or an A2P3 filter; declare it in Settings.",
  reapply: "Put it on afresh inside its window.",
  "cover-it": "Cover it with a primer or colour.",
  "thinner-skins": "Build it in thinner skins, each dried.",
  "fewer-coats": "Fewer or lighter coats.",
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
};

export function remedyText(r: Remedy): string {
  switch (r.do) {
    case "add-prep":
      return `Add: ${PREP_NAME[r.step].toLowerCase()}`;
    case "add-before":
      return `Add before it: ${BEFORE_NAME[r.step].toLowerCase()}`;
    case "set-heaviness":
      return `Lay it ${HEAVINESS_NAME[r.heaviness]}`;
    case "wait-for":
      return r.milestone === "window"
        ? "Let the plan find the window"
        : `Let the plan wait: ${MILESTONE_NAME[r.milestone]}`;
    case "advice":
      return ADVICE[r.key];
  }
}

const MISSING: Readonly<Record<string, string>> = {
  "region.material": "the material",
  "product.carriers": "the product’s carrier",
  "product.family": "the product’s family",
  "product.propellant": "the can’s propellant",
};
export const missingText = (keys: readonly string[]): string => keys.map((k) => MISSING[k] ?? k).join(", ");

export function reasonText(code: string, missing: readonly string[]): string {
  const base = REASON[code] ?? code;
  return missing.length > 0 ? `${base} Missing: ${missingText(missing)}.` : base;
}
