import { all, any, atLeast, has, is, no, not, yes } from "../condition";
import { advise, rulesFor } from "../rule";

const flexing = any(yes("region.flexible"), has("region.conditions", "flexes"), has("region.exposure", "flexing"));
const declaredForIsocyanate = all(has("bench.protection", "air-fed"), has("bench.protection", "extraction"));

/** One layer by itself: what it is, how thick it goes on, what it does to the person. */
export const LAYER_RULES = rulesFor("layer", [
  {
    id: "flex-brittle",
    verdict: "stop",
    when: all(flexing, yes("upper.brittle")),
    remedy: [advise("flexible-product")],
  },
  {
    id: "flex-stiff",
    verdict: "care",
    when: all(flexing, no("upper.brittle"), no("upper.flexibleFilm"), not(is("upper.role", "promoter"))),
    remedy: [advise("flexible-product")],
  },
  {
    id: "skin-too-thick",
    verdict: "stop",
    when: yes("layer.skinOverLimit"),
    remedy: [advise("thinner-skins"), advise("other-filler")],
    evidence: "label",
  },
  {
    id: "sands-through",
    verdict: "care",
    when: all(yes("layer.sandsThrough"), not(is("region.material", "xps", "eps"))),
    remedy: [advise("sand-less")],
  },
  {
    id: "sands-through-foam",
    verdict: "stop",
    when: all(yes("layer.sandsThrough"), is("region.material", "xps", "eps")),
    remedy: [advise("sand-less")],
  },
  {
    id: "isocyanate-sprayed",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: all(has("upper.hazards", "isocyanate"), yes("upper.sprayed"), not(declaredForIsocyanate)),
    remedy: [advise("other-product")],
  },
  {
    id: "isocyanate-unknown",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: all(
      yes("upper.twoPart"),
      has("upper.hazards", "isocyanate-unknown"),
      yes("upper.sprayed"),
      not(declaredForIsocyanate),
    ),
    remedy: [advise("find-out")],
  },
  {
    id: "solvent-sprayed-bare-faced",
    verdict: "care",
    evidence: "safety-practice",
    when: all(
      yes("upper.sprayed"),
      atLeast("upper.biteStrength", 1),
      not(has("bench.protection", "extraction", "a2p3", "air-fed")),
    ),
    remedy: [advise("wear-protection")],
  },
  {
    id: "spray-no-filter",
    verdict: "care",
    evidence: "safety-practice",
    when: all(yes("upper.sprayed"), not(has("bench.protection", "a2p3", "p3", "air-fed"))),
    remedy: [advise("wear-protection")],
  },
]);
