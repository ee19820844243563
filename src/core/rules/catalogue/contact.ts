/** Rules on liquids and helpers that touch a face without staying: wipes, strippers, glue, softeners, polish. */

import { familiesWith, materialsWith, STRIP_FACTS } from "../../reference";
import { all, any, atLeast, has, is, no, not, yes } from "../condition";
import { advise, rulesFor, waitFor } from "../rule";

const cleaner = is("upper.role", "degreaser", "stripper");
const stripper = is("upper.role", "stripper");
const touchesFilm = yes("layer.filmBelow");
const wipe = is("upper.role", "degreaser", "thinner", "polish", "decal-setting", "abrasive");
const sameClassWipe = all(
  wipe,
  touchesFilm,
  any(
    all(
      is("lower.family", ...familiesWith((f) => f.mechanism === "oxidation")),
      atLeast("upper.biteStrength", 2),
      yes("seam.sharesSolvent"),
    ),
    // the binder is what the alcohol swells, whatever flew off it when it dried
    all(is("lower.family", ...familiesWith((f) => f.swellsInAlcohol)), yes("seam.alcohol")),
  ),
);
const sameClassOther = all(
  wipe,
  touchesFilm,
  yes("seam.sharesSolvent"),
  atLeast("upper.biteStrength", 1),
  not(sameClassWipe),
);
const liquid = not(is("upper.role", "masking", "adhesive", "abrasive"));
const judgedByBite = all(liquid, not(stripper), touchesFilm, not(sameClassWipe), not(sameClassOther));

/** Liquids that touch without staying, against everything they touch. */
export const CONTACT_RULES = rulesFor("contact", [
  {
    id: "liquid-bare-care",
    verdict: "care",
    when: all(liquid, yes("contact.touchesBare"), is("contact.bareAnswer", "care")),
    remedy: [advise("weaker-carrier")],
  },
  {
    id: "liquid-bare-test",
    verdict: "test",
    when: all(liquid, yes("contact.touchesBare"), is("contact.bareAnswer", "test")),
    remedy: [advise("coupon"), advise("weaker-carrier"), advise("strip-by-hand")],
  },
  {
    id: "liquid-bare-stop",
    verdict: "stop",
    when: all(liquid, yes("contact.touchesBare"), is("contact.bareAnswer", "stop")),
    remedy: [advise("strip-by-hand"), advise("weaker-carrier")],
  },
  {
    id: "liquid-film-care",
    verdict: "care",
    when: all(judgedByBite, is("seam.biteAnswer", "care", "ok-light")),
    remedy: [advise("weaker-carrier")],
  },
  {
    id: "liquid-film-test",
    verdict: "test",
    when: all(judgedByBite, is("seam.biteAnswer", "test")),
    remedy: [advise("coupon"), advise("weaker-carrier")],
  },
  {
    id: "liquid-film-stop",
    verdict: "stop",
    when: all(judgedByBite, is("seam.biteAnswer", "stop")),
    remedy: [waitFor("cured"), advise("weaker-carrier")],
  },
  { id: "wipe-same-class", verdict: "stop", when: sameClassWipe, remedy: [advise("weaker-carrier")] },
  {
    id: "wipe-same-class-test",
    verdict: "test",
    when: sameClassOther,
    remedy: [advise("clear-between"), advise("coupon")],
  },
  {
    id: "polish-too-soon",
    verdict: "care",
    when: all(is("upper.role", "polish"), yes("contact.beforePolishable"), not(is("region.finish", "show"))),
    remedy: [waitFor("polishable")],
  },
  {
    id: "polish-too-soon-show",
    verdict: "stop",
    when: all(is("upper.role", "polish"), yes("contact.beforePolishable"), is("region.finish", "show")),
    remedy: [waitFor("polishable")],
  },
  {
    id: "caustic-on-light-metal",
    verdict: "stop",
    when: all(
      cleaner,
      has("upper.hazards", "caustic", "acid"),
      yes("contact.touchesBare"),
      is("region.material", ...materialsWith("light-metal")),
    ),
    remedy: [advise("mild-cleaner")],
  },
  {
    id: "masking-fluid-on-solvent",
    verdict: "test",
    when: all(is("upper.role", "masking"), yes("upper.fluid"), touchesFilm, yes("lower.losesSolvent")),
    remedy: [advise("coupon"), advise("tape-instead")],
  },
  {
    id: "masking-fluid-on-young-acrylic",
    verdict: "test",
    when: all(
      is("upper.role", "masking"),
      yes("upper.fluid"),
      touchesFilm,
      yes("lower.waterBorne"),
      not(is("seam.state", "cured")),
    ),
    remedy: [waitFor("cured"), advise("tape-instead")],
  },
  {
    id: "accelerator-on-paint",
    verdict: "stop",
    when: all(
      any(yes("upper.activator"), yes("layer.activatorUsed")),
      any(touchesFilm, not(is("region.ground", "bare"))),
    ),
    remedy: [advise("hold-without")],
  },
  {
    id: "cement-welds-nothing",
    verdict: "stop",
    when: all(
      is("upper.role", "adhesive"),
      is("upper.family", "solvent-cement"),
      not(is("region.material", ...materialsWith("welds"))),
    ),
    remedy: [advise("other-product")],
  },
  {
    id: "cement-on-paint",
    verdict: "stop",
    when: all(is("upper.role", "adhesive"), is("upper.family", "solvent-cement"), touchesFilm),
    remedy: [advise("mask-it"), advise("other-product")],
  },
  {
    id: "glue-eats-foam",
    verdict: "stop",
    when: all(
      is("upper.role", "adhesive"),
      is("region.material", ...materialsWith("polystyrene-foam")),
      any(
        is("upper.family", "cyanoacrylate", "solvent-cement"),
        // what sets by itself carries nothing that could
        all(
          yes("contact.touchesBare"),
          is("contact.bareAnswer", "stop"),
          not(is("upper.family", ...familiesWith((f) => f.twoPart))),
        ),
      ),
    ),
    remedy: [advise("other-product"), advise("coupon")],
  },
  {
    id: "glue-foams",
    verdict: "care",
    when: all(is("upper.role", "adhesive"), is("upper.family", "urethane-mc")),
    remedy: [advise("clamp-and-trim")],
  },
  {
    id: "water-glue-tight",
    verdict: "care",
    when: all(is("upper.role", "adhesive"), yes("upper.waterBorne"), any(not(yes("region.porous")), touchesFilm)),
    remedy: [advise("thin-bead")],
  },
  {
    id: "brittle-joint",
    verdict: "care",
    when: all(
      is("upper.role", "adhesive"),
      is("upper.family", ...familiesWith((f) => f.brittle)),
      any(yes("region.flexible"), has("region.conditions", "flexes"), has("region.exposure", "flexing")),
    ),
    remedy: [advise("flexible-product")],
  },
  {
    id: "joint-small",
    verdict: "care",
    when: all(is("upper.role", "adhesive"), yes("contact.jointSmall")),
    remedy: [advise("pin-it"), advise("stronger-glue")],
  },
  {
    id: "joint-knocked",
    verdict: "care",
    when: all(
      is("upper.role", "adhesive"),
      is("upper.family", ...familiesWith((f) => f.brittle)),
      is("contact.jointLoad", "bears"),
    ),
    remedy: [advise("tough-glue"), advise("pin-it")],
  },
  {
    id: "adhesive-fumes",
    verdict: "care",
    when: all(
      is("upper.role", "adhesive"),
      is("upper.family", ...familiesWith((f) => f.fogs)),
      yes("region.clearNearby"),
    ),
    remedy: [advise("ventilate-or-other-glue")],
  },
  {
    id: "stripper-on-lead",
    verdict: "care",
    evidence: "safety-practice",
    when: all(stripper, is("region.leadRisk", "assumed", "told"), no("layer.filmBelow")),
    remedy: [advise("collect-waste")],
  },
  {
    id: "blasting-harms",
    verdict: "stop",
    when: all(is("contact.strip", "blasted"), is("region.group", ...STRIP_FACTS.blasted.harms)),
    remedy: [advise("strip-by-hand")],
  },
  {
    id: "bath-soaks-in",
    verdict: "stop",
    when: all(is("contact.strip", "bath"), is("region.group", ...STRIP_FACTS.bath.harms)),
    remedy: [advise("strip-by-hand")],
  },
  {
    id: "stripping-lead",
    verdict: "care",
    kind: "safety",
    evidence: "safety-practice",
    when: all(is("contact.strip", "by-hand", "blasted"), is("region.leadRisk", "told")),
    remedy: [advise("collect-waste")],
  },
]);
