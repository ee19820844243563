import { all, any, atLeast, has, is, no, not, yes } from "../condition";
import { addPrep, advise, rulesFor, setHeaviness } from "../rule";

const METALS_NON_FERROUS_KEYABLE = ["aluminium", "white-metal"];
const METALS_POOR_GRIP = ["brass-copper", "stainless"];
const ORDINARY_PRIMERS = ["primer", "primer-highbuild", "surfacer"];
const POLYSTYRENE_FOAM = ["xps", "eps"];
const POLYSTYRENE = ["xps", "eps", "hips"];

const keyed = has("region.conditions", "keyed");
const visible = is("region.finish", "seen", "show");
const promoter = is("upper.role", "promoter");
/** Raw slick stock counts as shiny until it is keyed; anything may be told to be shiny. */
const slickFace = all(any(yes("region.slick"), has("region.conditions", "shiny")), not(keyed));
const ordinaryPrimer = all(is("upper.role", ...ORDINARY_PRIMERS), not(yes("upper.twoPart")));

/** The bare material under its first layer. */
export const MATERIAL_RULES = rulesFor("first", [
  {
    id: "bare-bite-care",
    verdict: "care",
    when: is("first.biteAnswer", "care"),
    remedy: [setHeaviness("light"), advise("weaker-carrier")],
  },
  {
    id: "bare-bite-mist",
    verdict: "care",
    when: all(is("first.biteAnswer", "care-mist"), no("upper.heavy")),
    remedy: [setHeaviness("mist")],
  },
  {
    id: "bare-bite-mist-wet",
    verdict: "test",
    when: all(is("first.biteAnswer", "care-mist"), yes("upper.heavy")),
    remedy: [setHeaviness("mist"), advise("coupon")],
  },
  {
    id: "bare-bite-test",
    verdict: "test",
    when: is("first.biteAnswer", "test"),
    remedy: [advise("coupon"), advise("weaker-carrier")],
  },
  {
    id: "bare-bite-stop",
    verdict: "stop",
    when: is("first.biteAnswer", "stop"),
    remedy: [advise("barrier-first"), advise("weaker-carrier")],
  },
  {
    id: "foam-propellant",
    verdict: "test",
    when: all(
      is("region.material", ...POLYSTYRENE_FOAM),
      is("upper.method", "aerosol"),
      any(is("upper.propellant", "dimethyl-ether"), yes("upper.heavy")),
    ),
    remedy: [setHeaviness("mist"), advise("barrier-first"), advise("coupon")],
  },
  {
    id: "slick-unkeyed-visible",
    verdict: "stop",
    when: all(slickFace, visible, not(promoter)),
    remedy: [addPrep("key")],
  },
  {
    id: "slick-unkeyed-hidden",
    verdict: "care",
    when: all(slickFace, not(visible), not(promoter)),
    remedy: [addPrep("key")],
  },
  { id: "slick-unkeyed-promoted", verdict: "care", when: all(slickFace, promoter), remedy: [addPrep("key")] },
  {
    id: "needs-promoter",
    verdict: "stop",
    when: all(is("region.withoutPromoter", "stop"), not(promoter)),
    remedy: [advise("promoter-first")],
  },
  {
    id: "wants-promoter",
    verdict: "test",
    when: all(is("region.withoutPromoter", "test"), not(promoter), no("upper.flexibleFilm")),
    remedy: [advise("promoter-first"), advise("coupon")],
  },
  {
    id: "greasy",
    verdict: "stop",
    when: has("region.conditions", "greasy", "released"),
    remedy: [addPrep("degrease"), addPrep("wash")],
  },
  { id: "dusty", verdict: "care", when: has("region.conditions", "dusty"), remedy: [addPrep("dust-off")] },
  { id: "damp", verdict: "stop", when: has("region.conditions", "damp", "damp-joints"), remedy: [advise("dry-first")] },
  { id: "residue", verdict: "stop", when: has("region.conditions", "flux-residue"), remedy: [addPrep("wash")] },
  { id: "rust-left", verdict: "stop", when: has("region.conditions", "rusted"), remedy: [addPrep("derust")] },
  { id: "tarnished", verdict: "care", when: has("region.conditions", "tarnished"), remedy: [addPrep("key")] },
  {
    id: "resin-uncured",
    verdict: "stop",
    when: has("region.conditions", "uncured", "hollow-undrained"),
    remedy: [addPrep("wash"), addPrep("post-cure")],
  },
  {
    id: "resin-cure-unknown",
    verdict: "test",
    when: has("region.conditions", "cure-unknown", "surface-cured"),
    remedy: [addPrep("post-cure")],
  },
  {
    id: "eva-open",
    verdict: "care",
    when: all(
      is("region.material", "eva"),
      not(has("region.conditions", "heat-sealed", "sealed")),
      not(is("upper.role", "sealer")),
    ),
    remedy: [advise("close-surface")],
  },
  {
    id: "steel-flash-rust",
    verdict: "stop",
    when: all(
      is("region.material", "steel-iron"),
      yes("upper.waterBorne"),
      no("upper.rustInhibitor"),
      not(has("region.conditions", "sealed")),
    ),
    remedy: [advise("etch-or-epoxy")],
  },
  {
    id: "steel-plain-primer",
    verdict: "care",
    when: all(is("region.material", "steel-iron"), ordinaryPrimer, no("upper.waterBorne")),
    remedy: [advise("etch-or-epoxy")],
  },
  {
    id: "metal-plain-primer",
    verdict: "care",
    when: all(is("region.material", ...METALS_NON_FERROUS_KEYABLE), ordinaryPrimer, keyed),
    remedy: [advise("etch-or-epoxy")],
  },
  {
    id: "metal-poor-grip",
    verdict: "test",
    when: all(is("region.material", ...METALS_POOR_GRIP), ordinaryPrimer, keyed),
    remedy: [advise("etch-or-epoxy"), advise("coupon")],
  },
  {
    id: "etch-on-brass",
    verdict: "care",
    when: all(is("region.material", "brass-copper"), is("upper.role", "primer-etch")),
    remedy: [addPrep("key"), setHeaviness("light")],
  },
  {
    id: "etch-on-stainless",
    verdict: "test",
    when: all(is("region.material", "stainless"), is("upper.role", "primer-etch")),
    remedy: [advise("other-primer"), advise("coupon")],
  },
  {
    id: "etch-not-on-metal",
    verdict: "stop",
    when: all(is("upper.role", "primer-etch"), not(is("region.group", "metal"))),
    remedy: [advise("other-primer")],
  },
  {
    id: "colour-on-slick",
    verdict: "care",
    when: all(
      is("upper.role", "colour", "clear"),
      yes("region.slick"),
      keyed,
      no("upper.combinedPrimer"),
      not(is("region.finish", "show")),
      not(has("region.exposure", "handled", "uv", "wet")),
    ),
    remedy: [advise("primer-first")],
  },
  {
    id: "colour-on-slick-exposed",
    verdict: "test",
    when: all(
      is("upper.role", "colour", "clear"),
      yes("region.slick"),
      keyed,
      no("upper.combinedPrimer"),
      any(is("region.finish", "show"), has("region.exposure", "handled", "uv", "wet")),
    ),
    remedy: [advise("primer-first"), advise("coupon")],
  },
  {
    id: "combined-on-slick",
    verdict: "care",
    when: all(yes("upper.combinedPrimer"), yes("region.slick"), keyed),
    remedy: [advise("primer-first")],
  },
  {
    id: "porous-unsealed",
    verdict: "care",
    when: all(
      yes("region.porous"),
      not(has("region.conditions", "sealed", "heat-sealed")),
      is("upper.role", "colour", "clear"),
    ),
    remedy: [advise("seal-first")],
  },
  {
    id: "putty-not-on-bare",
    verdict: "stop",
    when: all(is("upper.role", "putty"), yes("upper.labelForbidsBelow")),
    remedy: [advise("primer-first"), advise("other-filler")],
    evidence: "label",
  },
  {
    id: "label-not-on-bare",
    verdict: "care",
    when: all(not(is("upper.role", "putty")), yes("upper.labelForbidsBelow")),
    remedy: [advise("primer-first")],
    evidence: "label",
  },
  {
    id: "polyester-on-polystyrene",
    verdict: "stop",
    when: all(is("region.material", ...POLYSTYRENE), is("upper.family", "polyester-2k")),
    remedy: [advise("other-filler")],
  },
  {
    id: "keep-bare",
    verdict: "stop",
    when: has("region.conditions", "must-stay-clear", "mating-face"),
    remedy: [advise("mask-it")],
  },
]);

const polystyreneFoam = is("region.material", ...POLYSTYRENE_FOAM);
const biting = atLeast("upper.biteStrength", 2);
const aboveFirst = no("layer.isFirst");
/** Three coats and 60 µm of cured barrier keep strong carriers from foam long enough for thin passes. */
const goodBarrier = all(
  atLeast("layer.barrierCoatsBelow", 3),
  atLeast("layer.dryUmBelowIsBarrier", 60),
  yes("layer.barrierCured"),
);
const thinPasses = all(no("upper.heavy"), { fact: "upper.wftUm", to: 15 });

/** Foam is still there under what was laid over it: judged for every later layer, not only the first. */
export const FOAM_RULES = rulesFor("layer", [
  {
    id: "foam-barrier-ok-thin",
    verdict: "test",
    when: all(polystyreneFoam, aboveFirst, atLeast("upper.biteStrength", 3), goodBarrier, thinPasses),
    remedy: [advise("coupon")],
  },
  {
    id: "foam-barrier-mild",
    verdict: "care",
    when: all(polystyreneFoam, aboveFirst, biting, not(atLeast("upper.biteStrength", 3)), goodBarrier),
    remedy: [setHeaviness("light")],
  },
  {
    id: "foam-barrier-wet-pass",
    verdict: "stop",
    when: all(polystyreneFoam, aboveFirst, atLeast("upper.biteStrength", 3), goodBarrier, not(thinPasses)),
    remedy: [setHeaviness("mist"), advise("weaker-carrier")],
  },
  {
    id: "foam-barrier-thin",
    verdict: "stop",
    when: all(polystyreneFoam, aboveFirst, biting, not(goodBarrier)),
    remedy: [advise("more-barrier"), advise("weaker-carrier")],
  },
  {
    id: "soft-foam-barrier",
    verdict: "care",
    when: all(
      is("region.material", "epo", "eva"),
      aboveFirst,
      is("upper.method", "airbrush", "aerosol", "spray-gun", "brush"),
      atLeast("upper.biteStrength", 3),
      goodBarrier,
    ),
    remedy: [setHeaviness("mist")],
  },
  {
    id: "soft-foam-no-barrier",
    verdict: "test",
    when: all(is("region.material", "epo", "eva"), aboveFirst, atLeast("upper.biteStrength", 3), not(goodBarrier)),
    remedy: [advise("more-barrier"), advise("coupon")],
  },
]);
