/** Rules on two neighbouring films, the lower in the state it is in when the upper goes on. */

import { familiesWith } from "../../reference";
import { all, any, atLeast, has, is, no, not, yes } from "../condition";
import { addBefore, advise, renewBelow, rulesFor, setHeaviness, waitFor } from "../rule";

const TWO_PART_FAMILIES = familiesWith((f) => f.twoPart);
const HARD_OVER_SOFT = familiesWith((f) => f.hard);
const POROUS_FILLS = familiesWith((f) => f.porousFill);
const PRIMERS = ["primer-etch", "primer", "primer-highbuild", "surfacer"];
const LACQUERS = familiesWith((f) => f.bondsByRedissolving);
const OIL_DRYING = familiesWith((f) => f.mechanism === "oxidation");

const ACRYLICS = familiesWith((f) => f.swellsInAlcohol);

const dried = is("seam.state", "hard", "cured", "missed");
const notScuffed = no("seam.scuffed");
const otherProduct = no("seam.sameProduct");
const decalBelow = is("lower.role", "decal");
const wash = is("upper.role", "wash");
/** A decal lies by its own glue on a face that has to be smooth, a wash in its recesses: neither wants a key. */
const wantsKey = not(is("upper.role", "decal", "wash"));
const sameClassWash = all(wash, yes("seam.sameClass"));
const waterOnWater = all(sameClassWash, yes("upper.waterBorne"), yes("lower.waterBorne"), no("seam.alcohol"));
/** Putty in a seam or dent of metal: round it the metal is bare, and that is what the etch is for. */
const puttySpotOnMetal = all(
  is("lower.role", "putty"),
  yes("lower.onSpots"),
  is("region.group", "metal"),
  any(is("seam.state", "hard", "cured", "open", "missed"), yes("lower.sandable")),
);
/** Filler over a primer or etch that has dried is how it is meant, whatever its carrier. */
const fillerOverPrimer = all(
  is("upper.role", "putty"),
  is("lower.role", "primer", "primer-etch", "primer-highbuild", "surfacer"),
  // an oil primer is lifted by a stopper like any other oil film
  not(is("lower.family", ...OIL_DRYING)),
  any(dried, yes("lower.sandable"), is("lower.role", "primer-etch")),
  not(all(is("lower.role", "primer-etch"), is("upper.family", "polyester-2k"))),
);
/** Hard by reaction, but thinned: for hours there is solvent in it. */
const solventTwoPart = all(
  is("lower.family", "epoxy-2k", "urethane-2k"),
  not(is("lower.role", "putty")),
  no("lower.waterBorne"),
);
/** Rows of their own beat the general answer to a carrier. */
const judgedByBite = all(
  otherProduct,
  not(decalBelow),
  // a promoter is there to be bitten into; its window judges it
  not(is("lower.role", "promoter")),
  not(sameClassWash),
  not(fillerOverPrimer),
  // the renewed coat on its own kind, and the etch round a spot of putty, have rows of their own
  not(all(is("upper.role", "primer-etch"), any(is("lower.role", "primer-etch"), puttySpotOnMetal))),
);
/** One lacquer over another bonds by dissolving it: too soon is a matter of flash, not of attack. */
const lacquerOnItsKind = all(is("lower.family", ...LACQUERS), yes("seam.sameFamily"));

/** Two neighbouring layers, the lower one in the state it is in when the upper goes on. */
export const SEAM_RULES = rulesFor("seam", [
  {
    id: "seam-bite-care",
    verdict: "care",
    when: all(judgedByBite, is("seam.biteAnswer", "care")),
    remedy: [setHeaviness("light"), advise("weaker-carrier")],
  },
  {
    id: "seam-bite-test",
    verdict: "test",
    when: all(judgedByBite, is("seam.biteAnswer", "test")),
    remedy: [advise("coupon"), advise("weaker-carrier")],
  },
  {
    id: "seam-bite-stop",
    verdict: "stop",
    when: all(judgedByBite, is("seam.biteAnswer", "stop")),
    remedy: [waitFor("cured"), advise("weaker-carrier")],
  },
  {
    id: "seam-redissolve-wet",
    verdict: "care",
    when: all(judgedByBite, is("seam.biteAnswer", "ok-light"), yes("upper.heavy")),
    remedy: [setHeaviness("light")],
  },
  {
    id: "alkyd-forbidden-gap",
    verdict: "stop",
    when: all(is("lower.family", ...OIL_DRYING), is("seam.state", "gap"), atLeast("upper.biteStrength", 2)),
    remedy: [waitFor("window")],
  },
  {
    id: "forbidden-gap",
    verdict: "care",
    when: all(is("seam.state", "gap"), not(all(is("lower.family", ...OIL_DRYING), atLeast("upper.biteStrength", 2)))),
    remedy: [waitFor("window")],
  },
  {
    id: "window-not-open-traps",
    verdict: "stop",
    when: all(
      yes("seam.early"),
      not(lacquerOnItsKind),
      any(atLeast("upper.biteStrength", 2), is("lower.family", ...OIL_DRYING)),
    ),
    remedy: [waitFor("recoat")],
  },
  {
    id: "window-not-open",
    verdict: "care",
    when: all(
      yes("seam.early"),
      not(lacquerOnItsKind),
      not(any(atLeast("upper.biteStrength", 2), is("lower.family", ...OIL_DRYING))),
    ),
    remedy: [waitFor("recoat")],
  },
  {
    id: "lacquer-before-flash",
    verdict: "care",
    when: all(lacquerOnItsKind, yes("seam.shortOfFlash")),
    remedy: [waitFor("flash")],
  },
  {
    id: "window-missed-scuffed",
    verdict: "care",
    when: all(is("seam.state", "missed"), yes("seam.scuffed"), not(is("lower.role", "promoter", "primer-etch"))),
    remedy: [addBefore("wipe")],
  },
  {
    id: "window-missed-hard",
    verdict: "stop",
    when: all(
      is("seam.state", "missed"),
      wantsKey,
      notScuffed,
      yes("lower.mustScuffWhenMissed"),
      not(is("lower.role", "promoter", "primer-etch")),
    ),
    remedy: [addBefore("scuff")],
  },
  {
    id: "window-missed",
    verdict: "care",
    when: all(
      is("seam.state", "missed"),
      wantsKey,
      notScuffed,
      no("lower.mustScuffWhenMissed"),
      not(is("lower.role", "promoter", "primer-etch")),
    ),
    remedy: [addBefore("scuff")],
  },
  {
    id: "promoter-missed",
    verdict: "stop",
    when: all(
      is("lower.role", "promoter"),
      any(is("seam.state", "missed"), yes("lower.sanded"), yes("seam.scuffed")),
      not(is("upper.role", "promoter")),
    ),
    remedy: [renewBelow, waitFor("window")],
  },
  {
    id: "etch-missed",
    verdict: "stop",
    when: all(is("lower.role", "primer-etch"), is("seam.state", "missed"), not(is("upper.role", "primer-etch"))),
    remedy: [renewBelow, waitFor("window"), advise("strip-it")],
  },
  {
    id: "etch-rubbed",
    verdict: "care",
    when: all(
      is("lower.role", "primer-etch"),
      not(is("seam.state", "missed")),
      yes("seam.scuffed"),
      no("lower.sanded"),
      not(is("upper.role", "primer-etch")),
    ),
    remedy: [renewBelow],
  },
  {
    id: "etch-over-film",
    verdict: "stop",
    when: all(
      is("upper.role", "primer-etch"),
      otherProduct,
      not(is("lower.role", "primer-etch")),
      not(puttySpotOnMetal),
      not(all(has("region.conditions", "bare-spots"), is("region.group", "metal"), is("lower.role", ...PRIMERS))),
    ),
    remedy: [advise("other-primer")],
  },
  {
    id: "etch-round-putty",
    verdict: "care",
    when: all(is("upper.role", "primer-etch"), puttySpotOnMetal),
    remedy: [setHeaviness("mist"), advise("etch-or-putty-first")],
  },
  {
    id: "spot-etch",
    verdict: "care",
    when: all(
      is("upper.role", "primer-etch"),
      has("region.conditions", "bare-spots"),
      is("region.group", "metal"),
      is("lower.role", ...PRIMERS),
    ),
    remedy: [setHeaviness("mist")],
  },
  {
    id: "etch-under-polyester",
    verdict: "stop",
    when: all(is("lower.role", "primer-etch"), is("upper.family", "polyester-2k")),
    remedy: [advise("primer-first"), advise("epoxy-putty")],
  },
  {
    id: "etch-under-epoxy-primer",
    verdict: "stop",
    when: all(is("lower.role", "primer-etch"), is("upper.family", "epoxy-2k"), not(is("upper.role", "putty"))),
    remedy: [advise("epoxy-alone")],
  },
  {
    id: "putty-not-on-primed",
    verdict: "stop",
    when: all(is("upper.role", "putty"), yes("upper.labelForbidsBelow")),
    remedy: [advise("other-filler")],
    evidence: "label",
  },
  {
    id: "label-not-on-this-film",
    verdict: "care",
    when: all(not(is("upper.role", "putty")), yes("upper.labelForbidsBelow"), otherProduct),
    remedy: [advise("coupon"), advise("other-product")],
    evidence: "label",
  },
  {
    id: "hard-over-soft",
    verdict: "stop",
    when: all(
      is("lower.family", ...OIL_DRYING),
      is("upper.family", ...HARD_OVER_SOFT),
      not(is("seam.state", "hard", "cured")),
    ),
    remedy: [waitFor("window")],
  },
  {
    id: "two-part-still-soft",
    verdict: "care",
    when: all(
      solventTwoPart,
      not(is("upper.family", ...TWO_PART_FAMILIES)),
      is("seam.state", "open"),
      no("lower.sandable"),
      not(decalBelow),
      otherProduct,
    ),
    remedy: [waitFor("sandable")],
  },
  {
    id: "two-part-over-old",
    verdict: "test",
    when: all(
      is("lower.family", ...OIL_DRYING, ...LACQUERS),
      is("upper.family", ...TWO_PART_FAMILIES),
      not(is("upper.role", "putty")),
      is("seam.state", "hard", "cured", "open", "missed"),
    ),
    remedy: [advise("coupon")],
  },
  {
    id: "water-over-gloss",
    verdict: "stop",
    when: all(
      not(is("upper.role", "decal")),
      yes("upper.waterBorne"),
      is("lower.family", ...OIL_DRYING, ...TWO_PART_FAMILIES),
      is("lower.sheen", "gloss"),
      dried,
      notScuffed,
    ),
    remedy: [addBefore("scuff")],
  },
  {
    id: "gloss-other-family",
    verdict: "care",
    when: all(
      wantsKey,
      no("seam.sameFamily"),
      is("lower.sheen", "gloss"),
      dried,
      notScuffed,
      not(all(yes("upper.waterBorne"), is("lower.family", ...OIL_DRYING, ...TWO_PART_FAMILIES))),
    ),
    remedy: [addBefore("scuff")],
  },
  {
    id: "water-over-wet-solvent",
    verdict: "stop",
    // promoter and etch are so thin that their own window tells when they are dry enough
    when: all(
      yes("upper.waterBorne"),
      any(yes("lower.losesSolvent"), solventTwoPart),
      no("lower.sandable"),
      not(decalBelow),
      not(is("lower.role", "promoter", "primer-etch")),
      otherProduct,
    ),
    remedy: [waitFor("sandable")],
  },
  {
    id: "yellowing-over-pale",
    verdict: "care",
    when: all(is("upper.role", "clear"), yes("upper.yellowing"), yes("lower.pale"), not(is("region.finish", "show"))),
    remedy: [advise("other-clear")],
  },
  {
    id: "yellowing-over-pale-show",
    verdict: "stop",
    when: all(is("upper.role", "clear"), yes("upper.yellowing"), yes("lower.pale"), is("region.finish", "show")),
    remedy: [advise("other-clear")],
  },
  {
    id: "colour-on-filler",
    verdict: "care",
    when: all(
      is("lower.role", "putty"),
      any(is("upper.role", "colour", "clear"), all(is("upper.sheen", "gloss"), not(is("upper.role", "sealer")))),
    ),
    remedy: [advise("primer-first")],
  },
  {
    id: "porous-filler-solvent",
    verdict: "care",
    when: all(is("lower.family", ...POROUS_FILLS), atLeast("upper.biteStrength", 2), not(is("region.group", "foam"))),
    remedy: [advise("seal-first")],
  },
  {
    id: "porous-filler-on-foam",
    verdict: "stop",
    when: all(is("lower.family", ...POROUS_FILLS), atLeast("upper.biteStrength", 2), is("region.group", "foam")),
    remedy: [advise("seal-first")],
  },
  { id: "amine-blush", verdict: "stop", when: yes("seam.amineBlush"), remedy: [addBefore("degrease")] },
  {
    id: "wash-same-class",
    verdict: "stop",
    when: all(
      sameClassWash,
      any(
        all(is("lower.family", ...OIL_DRYING), atLeast("upper.biteStrength", 2)),
        all(is("lower.family", ...ACRYLICS), yes("seam.alcohol")),
      ),
    ),
    remedy: [advise("clear-between")],
  },
  {
    id: "wash-too-soon",
    verdict: "care",
    when: all(wash, no("lower.sandable"), not(is("lower.role", "decal", "wash"))),
    remedy: [waitFor("sandable")],
  },
  {
    id: "water-wash-cured",
    verdict: "care",
    when: all(waterOnWater, is("seam.state", "cured")),
    remedy: [advise("wipe-gently")],
  },
  {
    id: "damage-after-dirt",
    verdict: "care",
    when: all(is("lower.role", "wash"), is("upper.role", "colour"), is("upper.effect", "metallic")),
    remedy: [advise("damage-first")],
  },
  {
    id: "wash-same-class-test",
    verdict: "test",
    when: all(
      sameClassWash,
      not(all(waterOnWater, is("seam.state", "cured"))),
      not(
        any(
          all(is("lower.family", ...OIL_DRYING), atLeast("upper.biteStrength", 2)),
          all(is("lower.family", ...ACRYLICS), yes("seam.alcohol")),
        ),
      ),
    ),
    remedy: [advise("clear-between"), advise("coupon")],
  },
  {
    id: "decal-silvers",
    verdict: "care",
    when: all(is("upper.role", "decal"), is("lower.sheen", "matt"), not(is("lower.role", "clear"))),
    remedy: [advise("gloss-first")],
  },
  {
    id: "decal-on-matt-clear",
    verdict: "care",
    when: all(is("upper.role", "decal"), is("lower.sheen", "matt"), is("lower.role", "clear")),
    remedy: [advise("decal-before-matt")],
  },
  {
    id: "decal-on-dark",
    verdict: "care",
    when: all(is("upper.role", "decal"), yes("lower.dark"), is("upper.effect", "transparent")),
    remedy: [advise("light-ground")],
  },
  {
    id: "clear-over-decal-mist",
    verdict: "care",
    when: all(
      decalBelow,
      any(is("upper.family", ...LACQUERS), atLeast("upper.biteStrength", 3)),
      is("upper.heaviness", "mist"),
    ),
    remedy: [setHeaviness("mist")],
  },
  {
    id: "clear-over-decal",
    verdict: "test",
    when: all(
      decalBelow,
      any(is("upper.family", ...LACQUERS), atLeast("upper.biteStrength", 3)),
      not(is("upper.heaviness", "mist")),
    ),
    remedy: [setHeaviness("mist"), advise("coupon")],
  },
  {
    id: "over-polish",
    verdict: "stop",
    when: all(yes("seam.polishBelow"), not(is("upper.role", "polish"))),
    remedy: [addBefore("degrease")],
  },
  {
    id: "solvent-over-masking-fluid",
    verdict: "test",
    when: all(yes("seam.maskingFluidBelow"), atLeast("upper.biteStrength", 2)),
    remedy: [advise("coupon"), advise("tape-instead")],
  },
]);
