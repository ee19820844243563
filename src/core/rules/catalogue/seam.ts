import { all, any, atLeast, is, no, not, yes } from "../condition";
import { addBefore, advise, rulesFor, setHeaviness, waitFor } from "../rule";

const TWO_PART_FAMILIES = ["epoxy-2k", "epoxy-putty", "urethane-2k", "polyester-2k"];
const HARD_OVER_SOFT = [
  "epoxy-2k",
  "epoxy-putty",
  "urethane-2k",
  "urethane-mc",
  "polyester-2k",
  "acrylic-lacquer",
  "nc-lacquer",
];
const LACQUERS = ["acrylic-lacquer", "nc-lacquer", "lacquer-putty"];

const dried = is("seam.state", "hard", "cured", "missed");
const notScuffed = no("seam.scuffed");
const otherProduct = no("seam.sameProduct");

/** Two neighbouring layers, the lower one in the state it is in when the upper goes on. */
export const SEAM_RULES = rulesFor("seam", [
  {
    id: "seam-bite-care",
    verdict: "care",
    when: all(otherProduct, is("seam.biteAnswer", "care")),
    remedy: [setHeaviness("light"), advise("weaker-carrier")],
  },
  {
    id: "seam-bite-test",
    verdict: "test",
    when: all(otherProduct, is("seam.biteAnswer", "test")),
    remedy: [advise("coupon"), advise("weaker-carrier")],
  },
  {
    id: "seam-bite-stop",
    verdict: "stop",
    when: all(otherProduct, is("seam.biteAnswer", "stop")),
    remedy: [waitFor("cured"), advise("weaker-carrier")],
  },
  {
    id: "seam-redissolve-wet",
    verdict: "care",
    when: all(is("seam.biteAnswer", "ok-light"), yes("upper.heavy"), otherProduct),
    remedy: [setHeaviness("light")],
  },
  {
    id: "alkyd-forbidden-gap",
    verdict: "stop",
    when: all(is("lower.family", "alkyd"), is("seam.state", "gap"), atLeast("upper.biteStrength", 2)),
    remedy: [waitFor("window")],
  },
  {
    id: "forbidden-gap",
    verdict: "care",
    when: all(is("seam.state", "gap"), not(all(is("lower.family", "alkyd"), atLeast("upper.biteStrength", 2)))),
    remedy: [waitFor("window")],
  },
  {
    id: "window-not-open-traps",
    verdict: "stop",
    when: all(
      is("seam.state", "wet", "uncured"),
      yes("seam.gapGiven"),
      any(atLeast("upper.biteStrength", 2), is("lower.family", "alkyd")),
    ),
    remedy: [waitFor("recoat")],
  },
  {
    id: "window-not-open",
    verdict: "care",
    when: all(
      is("seam.state", "wet", "uncured"),
      yes("seam.gapGiven"),
      not(any(atLeast("upper.biteStrength", 2), is("lower.family", "alkyd"))),
    ),
    remedy: [waitFor("recoat")],
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
      notScuffed,
      yes("lower.mustScuffWhenMissed"),
      not(is("lower.role", "promoter")),
    ),
    remedy: [addBefore("scuff")],
  },
  {
    id: "window-missed",
    verdict: "care",
    when: all(
      is("seam.state", "missed"),
      notScuffed,
      no("lower.mustScuffWhenMissed"),
      not(is("lower.role", "promoter", "primer-etch")),
    ),
    remedy: [addBefore("scuff")],
  },
  {
    id: "promoter-missed",
    verdict: "stop",
    when: all(is("lower.role", "promoter"), any(is("seam.state", "missed"), yes("lower.sanded"))),
    remedy: [advise("reapply"), waitFor("window")],
  },
  {
    id: "etch-missed",
    verdict: "care",
    when: all(is("lower.role", "primer-etch"), is("seam.state", "missed")),
    remedy: [advise("reapply"), waitFor("window")],
  },
  {
    id: "etch-under-polyester-or-epoxy",
    verdict: "stop",
    when: all(is("lower.role", "primer-etch"), is("upper.family", "polyester-2k", "epoxy-2k", "epoxy-putty")),
    remedy: [advise("primer-first")],
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
      is("lower.family", "alkyd"),
      is("upper.family", ...HARD_OVER_SOFT),
      not(is("seam.state", "hard", "cured")),
    ),
    remedy: [waitFor("window")],
  },
  {
    id: "two-part-over-old",
    verdict: "test",
    when: all(
      is("lower.family", "alkyd", ...LACQUERS),
      is("upper.family", ...TWO_PART_FAMILIES),
      is("seam.state", "hard", "cured", "open"),
    ),
    remedy: [advise("coupon")],
  },
  {
    id: "water-over-gloss",
    verdict: "stop",
    when: all(
      yes("upper.waterBorne"),
      is("lower.family", "alkyd", ...TWO_PART_FAMILIES),
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
      no("seam.sameFamily"),
      is("lower.sheen", "gloss"),
      dried,
      notScuffed,
      not(all(yes("upper.waterBorne"), is("lower.family", "alkyd", ...TWO_PART_FAMILIES))),
    ),
    remedy: [addBefore("scuff")],
  },
  {
    id: "water-over-wet-solvent",
    verdict: "stop",
    // promoter and etch are so thin that their own window tells when they are dry enough
    when: all(
      yes("upper.waterBorne"),
      yes("lower.losesSolvent"),
      no("lower.sandable"),
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
    when: all(is("lower.role", "putty"), is("upper.role", "colour", "clear")),
    remedy: [advise("primer-first")],
  },
  {
    id: "porous-filler-solvent",
    verdict: "care",
    when: all(is("lower.family", "gypsum-filler"), atLeast("upper.biteStrength", 2), not(is("region.group", "foam"))),
    remedy: [advise("seal-first")],
  },
]);
