/** Rules on the bare or old face under the first film: bite, key, readying, foam and its barrier, lead. */

import { FOAM_BARRIER, KEY_FRESH_MIN, type MaterialTrait, materialsWith } from "../../reference";
import { above, all, any, atLeast, atMost, has, is, no, not, yes } from "../condition";
import { addPrep, advise, rulesFor, setHeaviness } from "../rule";

const ORDINARY_PRIMERS = ["primer", "primer-highbuild", "surfacer"];
const HARD_WEAR = ["handled", "uv", "wet", "salt-abrasion"];

/** The material, or what it may be, has one of these traits. */
const isOf = (...traits: readonly MaterialTrait[]) => is("region.material", ...materialsWith(...traits));

/** A rough casting's texture is key enough, as far as grip goes. */
const keyed = has("region.conditions", "keyed", "rough-cast");
const rubbedKey = has("region.conditions", "keyed");
const visible = is("region.finish", "seen", "show");
const promoter = is("upper.role", "promoter");
const bare = yes("region.bare");
/** Raw slick stock counts as shiny until it is keyed; anything may be told to be shiny. */
const slickFace = all(any(all(bare, yes("region.slick")), has("region.conditions", "shiny")), not(keyed));
const ordinaryPrimer = all(
  is("upper.role", ...ORDINARY_PRIMERS),
  not(yes("upper.twoPart")),
  not(is("upper.family", "urethane-mc", "pvb-etch")),
);
const old = is("region.ground", "old");
const oldUnknown = all(old, is("region.oldFamily", "unknown"));
const rubSound = is("region.rub", "sound");
const etch = is("upper.role", "primer-etch");
const roughMetal = all(is("region.group", "metal"), has("region.conditions", "rough-cast"));

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
      bare,
      isOf("polystyrene-foam"),
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
    when: all(bare, is("region.withoutPromoter", "stop"), not(promoter)),
    remedy: [advise("promoter-first")],
  },
  {
    id: "wants-promoter",
    verdict: "test",
    when: all(bare, is("region.withoutPromoter", "test"), not(promoter), no("upper.flexibleFilm")),
    remedy: [advise("promoter-first"), advise("coupon")],
  },
  {
    id: "greasy",
    verdict: "stop",
    when: has("region.conditions", "greasy", "released"),
    remedy: [addPrep("degrease"), addPrep("wash")],
  },
  {
    id: "keyed-over-grease",
    verdict: "care",
    when: yes("region.keyedDirty"),
    remedy: [advise("clean-then-key")],
  },
  {
    id: "surplus-left",
    verdict: "care",
    when: all(
      has("region.conditions", "flash", "mould-lines", "support-marks", "stringing"),
      not(is("region.finish", "hidden")),
    ),
    remedy: [addPrep("trim")],
  },
  {
    id: "fit-untried",
    verdict: "care",
    when: all(has("region.conditions", "mating-face"), not(has("region.conditions", "fit-checked"))),
    remedy: [addPrep("dry-fit")],
  },
  { id: "dusty", verdict: "care", when: has("region.conditions", "dusty"), remedy: [addPrep("dust-off")] },
  { id: "damp", verdict: "stop", when: has("region.conditions", "damp", "damp-joints"), remedy: [addPrep("dry")] },
  {
    id: "wash-unknown-release",
    verdict: "stop",
    when: all(bare, no("region.washKnown"), isOf("comes-released")),
    remedy: [addPrep("wash")],
  },
  {
    id: "wash-unknown-resin",
    verdict: "test",
    when: all(bare, no("region.washKnown"), isOf("hardened-by-light")),
    remedy: [addPrep("wash")],
  },
  {
    id: "wash-unknown",
    verdict: "care",
    when: all(bare, no("region.washKnown"), is("region.group", "plastic", "metal", "laminate")),
    remedy: [addPrep("wash"), addPrep("degrease")],
  },
  {
    id: "lead-prep-dry",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: all(is("region.leadRisk", "assumed", "told"), has("region.prep", "derust", "dust-off")),
    remedy: [advise("wet-and-filter"), advise("lead-test")],
  },
  { id: "residue", verdict: "stop", when: has("region.conditions", "flux-residue"), remedy: [addPrep("wash")] },
  { id: "rust-left", verdict: "stop", when: has("region.conditions", "rusted"), remedy: [addPrep("derust")] },
  { id: "tarnished", verdict: "care", when: has("region.conditions", "tarnished"), remedy: [addPrep("key")] },
  {
    id: "key-gone-stale",
    verdict: "care",
    when: all(
      bare,
      rubbedKey,
      any(
        all(isOf("key-goes-fast"), above("region.keyAgeMin", KEY_FRESH_MIN.aluminium)),
        all(is("region.group", "metal"), above("region.keyAgeMin", KEY_FRESH_MIN.otherMetal)),
      ),
    ),
    remedy: [addPrep("key")],
  },
  {
    id: "resin-uncured",
    verdict: "stop",
    when: has("region.conditions", "uncured"),
    remedy: [addPrep("wash"), addPrep("post-cure")],
  },
  {
    id: "hollow-undrained",
    verdict: "stop",
    when: any(
      has("region.conditions", "hollow-undrained"),
      all(isOf("hardened-by-light"), is("region.hollow", "yes"), not(has("region.conditions", "drained"))),
    ),
    remedy: [addPrep("drain")],
  },
  {
    id: "drain-without-hole",
    verdict: "stop",
    when: yes("region.drainless"),
    remedy: [advise("drill-first")],
  },
  {
    id: "hollow-unknown",
    verdict: "test",
    when: all(
      isOf("hardened-by-light"),
      is("region.hollow", "unknown"),
      not(has("region.conditions", "drained", "hollow-undrained")),
    ),
    remedy: [addPrep("drain"), advise("find-out")],
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
      isOf("closed-by-heat"),
      bare,
      not(has("region.conditions", "heat-sealed")),
      not(is("upper.role", "sealer")),
    ),
    remedy: [advise("close-surface")],
  },
  {
    id: "steel-flash-rust",
    verdict: "stop",
    when: all(isOf("rusts"), bare, yes("upper.waterBorne"), no("upper.rustInhibitor")),
    remedy: [advise("etch-or-epoxy")],
  },
  {
    id: "steel-plain-primer",
    verdict: "care",
    when: all(bare, isOf("rusts"), ordinaryPrimer, no("upper.waterBorne")),
    remedy: [advise("etch-or-epoxy")],
  },
  {
    id: "metal-plain-primer",
    verdict: "care",
    when: all(bare, isOf("light-metal"), ordinaryPrimer, keyed),
    remedy: [advise("etch-or-epoxy")],
  },
  {
    id: "metal-poor-grip",
    verdict: "test",
    when: all(bare, isOf("poor-grip"), ordinaryPrimer, keyed),
    remedy: [advise("etch-or-epoxy"), advise("coupon")],
  },
  {
    id: "etch-on-brass",
    verdict: "care",
    when: all(bare, isOf("etch-takes-thin"), etch),
    remedy: [addPrep("key"), setHeaviness("light")],
  },
  {
    id: "etch-on-stainless",
    verdict: "test",
    when: all(bare, isOf("etch-holds-badly"), etch),
    remedy: [advise("other-primer"), advise("coupon")],
  },
  {
    id: "etch-not-on-metal",
    verdict: "stop",
    when: all(bare, etch, not(is("region.group", "metal"))),
    remedy: [advise("other-primer")],
  },
  {
    id: "etch-on-old-or-sealed",
    verdict: "stop",
    when: all(etch, not(is("region.ground", "bare")), not(has("region.conditions", "bare-spots"))),
    remedy: [advise("other-primer"), advise("mask-it")],
  },
  {
    id: "etch-on-bare-spots",
    verdict: "care",
    when: all(
      etch,
      not(is("region.ground", "bare")),
      has("region.conditions", "bare-spots"),
      is("region.group", "metal"),
    ),
    remedy: [setHeaviness("mist")],
  },
  {
    id: "colour-on-slick",
    verdict: "care",
    when: all(
      bare,
      is("upper.role", "colour", "clear"),
      yes("region.slick"),
      keyed,
      no("upper.combinedPrimer"),
      not(is("region.finish", "show")),
      not(has("region.exposure", ...HARD_WEAR)),
      not(roughMetal),
    ),
    remedy: [advise("primer-first")],
  },
  {
    id: "colour-on-rough-cast",
    verdict: "care",
    when: all(bare, is("upper.role", "colour", "clear"), roughMetal, not(is("region.finish", "show"))),
    remedy: [advise("etch-or-texture")],
  },
  {
    id: "colour-on-rough-cast-show",
    verdict: "test",
    when: all(bare, is("upper.role", "colour", "clear"), roughMetal, is("region.finish", "show")),
    remedy: [advise("etch-or-texture"), advise("coupon")],
  },
  {
    id: "colour-on-slick-exposed",
    verdict: "test",
    when: all(
      bare,
      is("upper.role", "colour", "clear"),
      yes("region.slick"),
      keyed,
      no("upper.combinedPrimer"),
      any(is("region.finish", "show"), has("region.exposure", ...HARD_WEAR)),
      not(roughMetal),
    ),
    remedy: [advise("primer-first"), advise("coupon")],
  },
  {
    id: "combined-on-slick",
    verdict: "care",
    when: all(bare, yes("upper.combinedPrimer"), yes("region.slick"), keyed),
    remedy: [advise("primer-first")],
  },
  {
    id: "porous-unsealed",
    verdict: "care",
    when: all(
      bare,
      isOf("wants-seal"),
      any(is("upper.role", "colour", "clear"), all(is("upper.sheen", "gloss"), not(is("upper.role", "sealer")))),
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
    when: all(bare, isOf("polystyrene-foam", "solid-polystyrene"), is("upper.family", "polyester-2k")),
    remedy: [advise("other-filler")],
  },
  {
    id: "keep-bare",
    verdict: "stop",
    when: all(has("region.conditions", "must-stay-clear", "mating-face"), no("first.maskedOff")),
    remedy: [advise("mask-it")],
  },
  {
    id: "filled-lines-unprimed",
    verdict: "care",
    when: all(has("region.conditions", "panel-lines-filled"), is("upper.role", "colour", "clear")),
    remedy: [advise("primer-first")],
  },
  {
    id: "wash-on-bare-polystyrene",
    verdict: "care",
    when: all(bare, isOf("solid-polystyrene"), is("upper.role", "wash"), atLeast("upper.biteStrength", 2)),
    remedy: [advise("seal-first")],
  },
  {
    id: "old-unknown-mild",
    verdict: "test",
    when: all(
      oldUnknown,
      any(
        all(atLeast("upper.biteStrength", 1), atMost("upper.biteStrength", 2)),
        all(atMost("upper.biteStrength", 0), not(rubSound)),
      ),
    ),
    remedy: [advise("rub-test"), advise("coupon"), advise("strip-it")],
  },
  {
    id: "old-unknown-strong",
    verdict: "stop",
    when: all(oldUnknown, atLeast("upper.biteStrength", 3)),
    remedy: [advise("isolate-it"), advise("strip-it")],
  },
  {
    id: "old-softens",
    verdict: "test",
    when: all(
      old,
      not(oldUnknown),
      is("region.rub", "softens"),
      atLeast("upper.biteStrength", 1),
      atMost("upper.biteStrength", 2),
    ),
    remedy: [advise("isolate-it"), advise("strip-it")],
  },
  {
    id: "old-softens-strong",
    verdict: "stop",
    when: all(old, not(oldUnknown), is("region.rub", "softens"), atLeast("upper.biteStrength", 3)),
    remedy: [advise("isolate-it"), advise("strip-it")],
  },
]);

const polystyreneFoam = isOf("polystyrene-foam");
const film = yes("upper.leavesFilm");
const biting = all(film, atLeast("upper.biteStrength", 2));
const strong = all(film, atLeast("upper.biteStrength", 3));
/** Something lies between this layer and the foam: a layer of the pile or a seal told of the part. */
const something = any(no("layer.isFirst"), all(is("region.ground", "sealed"), above("layer.dryUmBelowIsBarrier", 0)));
/** Cured coats enough over every edge keep strong carriers from foam long enough for thin passes. */
const goodBarrier = all(
  atLeast("layer.barrierCoatsBelow", FOAM_BARRIER.coats),
  atLeast("layer.dryUmBelowIsBarrier", FOAM_BARRIER.dftUm),
  yes("layer.barrierCured"),
  yes("layer.edgesCovered"),
  not(has("region.conditions", "bare-spots")),
);
const thinPasses = yes("layer.passThinEnough");

/** Foam is still there under what was laid over it: judged for every later layer, not only the first. */
export const FOAM_RULES = rulesFor("layer", [
  {
    id: "foam-barrier-ok-thin",
    verdict: "test",
    when: all(polystyreneFoam, something, strong, goodBarrier, thinPasses),
    remedy: [advise("coupon")],
  },
  {
    id: "foam-barrier-mild",
    verdict: "care",
    when: all(polystyreneFoam, something, biting, not(strong), goodBarrier),
    remedy: [setHeaviness("light")],
  },
  {
    id: "foam-barrier-wet-pass",
    verdict: "stop",
    when: all(polystyreneFoam, something, strong, goodBarrier, not(thinPasses)),
    remedy: [setHeaviness("mist"), advise("weaker-carrier")],
  },
  {
    id: "foam-barrier-thin",
    verdict: "stop",
    when: all(polystyreneFoam, something, biting, not(goodBarrier)),
    remedy: [advise("more-barrier"), advise("weaker-carrier")],
  },
  {
    id: "soft-foam-barrier",
    verdict: "care",
    when: all(
      isOf("soft-foam"),
      something,
      strong,
      not(atLeast("upper.biteStrength", 4)),
      goodBarrier,
      no("upper.heavy"),
    ),
    remedy: [setHeaviness("mist")],
  },
  {
    id: "soft-foam-barrier-strong",
    verdict: "test",
    when: all(isOf("soft-foam"), something, atLeast("upper.biteStrength", 4), film, goodBarrier, no("upper.heavy")),
    remedy: [setHeaviness("mist"), advise("coupon")],
  },
  {
    id: "soft-foam-wet-pass",
    verdict: "stop",
    when: all(isOf("soft-foam"), something, strong, yes("upper.heavy")),
    remedy: [setHeaviness("mist"), advise("more-barrier")],
  },
  {
    id: "soft-foam-no-barrier",
    verdict: "test",
    when: all(isOf("soft-foam"), something, strong, not(goodBarrier), no("upper.heavy")),
    remedy: [advise("more-barrier"), advise("coupon")],
  },
]);

/** An older finish is still there too, until something cured keeps the carriers from it. */
export const OLD_FINISH_RULES = rulesFor("layer", [
  {
    id: "old-isolated",
    verdict: "care",
    when: all(old, no("layer.isFirst"), film, rubSound, yes("layer.oldIsolated"), atLeast("upper.biteStrength", 1)),
    remedy: [advise("coupon")],
  },
  {
    id: "old-shines-through",
    verdict: "test",
    when: all(
      oldUnknown,
      no("layer.isFirst"),
      film,
      not(all(rubSound, yes("layer.oldIsolated"))),
      atLeast("upper.biteStrength", 1),
      atMost("upper.biteStrength", 2),
    ),
    remedy: [advise("isolate-it"), advise("coupon")],
  },
  {
    id: "old-not-isolated",
    verdict: "stop",
    when: all(oldUnknown, no("layer.isFirst"), strong, not(all(rubSound, yes("layer.oldIsolated")))),
    remedy: [advise("isolate-it"), advise("strip-it")],
  },
]);
