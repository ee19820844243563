/** Rules on one layer by itself, with what lies under it: skins, rubs, warmth, mixes, tape, protection. */

import { familiesWith, RIM_SHOWS_UM } from "../../reference";
import { all, any, atLeast, has, is, no, not, yes } from "../condition";
import { addBefore, addRub, advise, rulesFor, waitFor } from "../rule";

const film = yes("upper.leavesFilm");
const flexing = any(yes("region.flexible"), has("region.conditions", "flexes"), has("region.exposure", "flexing"));
const declaredForIsocyanate = all(has("bench.protection", "air-fed"), has("bench.protection", "extraction"));
const noParticleFilter = not(has("bench.protection", "a2p3", "p3", "air-fed"));
const vapourUnmasked = all(
  atLeast("upper.biteStrength", 1),
  not(has("bench.protection", "extraction", "a2p3", "air-fed")),
);
const mayHoldIsocyanate = any(yes("upper.twoPart"), is("upper.family", ...familiesWith((f) => f.isocyanate)));
const LAMP_CURED = familiesWith((f) => f.mechanism === "light");
const weakHue = any(is("layer.hue", "yellow", "red"), is("upper.effect", "fluorescent", "transparent"));
const twoPartByReaction = any(
  yes("upper.twoPart"),
  is("upper.family", ...familiesWith((f) => f.isocyanate && !f.twoPart)),
);

/** Slick plastic with neither key nor promoter nor primer under what is taped. */
const bareSlick = all(
  yes("region.slick"),
  is("region.group", "plastic"),
  not(has("region.conditions", "keyed")),
  no("layer.gripBelow"),
);

/** One layer by itself: what it is, how thick it goes on, how it is mixed and taped, what it does to the person. */
export const LAYER_RULES = rulesFor("layer", [
  {
    id: "flex-brittle",
    verdict: "stop",
    when: all(film, flexing, yes("upper.brittle"), no("upper.flexibleFilm")),
    remedy: [advise("flexible-product")],
  },
  {
    id: "flex-stiff",
    verdict: "care",
    when: all(film, flexing, no("upper.brittle"), no("upper.flexibleFilm"), not(is("upper.role", "promoter", "decal"))),
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
    id: "skin-over-usual",
    verdict: "care",
    when: yes("layer.skinOverUsual"),
    remedy: [advise("thinner-skins"), advise("find-out")],
  },
  {
    id: "light-cannot-reach",
    verdict: "stop",
    when: all(is("upper.family", ...LAMP_CURED), any(yes("layer.beyondLight"), yes("layer.shaded"))),
    remedy: [advise("thinner-skins"), advise("other-filler")],
  },
  {
    id: "putty-sprayed",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: all(is("upper.role", "putty"), yes("upper.sprayed")),
    remedy: [advise("spread-it")],
  },
  {
    id: "light-unknown",
    verdict: "care",
    when: all(film, is("upper.family", ...LAMP_CURED), no("upper.lightKnown")),
    remedy: [advise("lamp-passes"), advise("find-out")],
  },
  { id: "past-its-date", verdict: "care", when: yes("layer.pastDate"), remedy: [advise("test-patch")] },
  {
    id: "tape-on-bare-slick",
    verdict: "test",
    when: all(bareSlick, is("layer.taped", "low")),
    remedy: [advise("promoter-first"), advise("key-again")],
  },
  {
    id: "strong-tape-on-bare-slick",
    verdict: "stop",
    when: all(bareSlick, is("layer.taped", "medium", "high")),
    remedy: [advise("promoter-first"), advise("key-again"), advise("low-tack")],
  },
  {
    id: "crack-too-fine",
    verdict: "care",
    when: yes("layer.gapFine"),
    remedy: [advise("run-in")],
  },
  {
    id: "gap-too-wide",
    verdict: "care",
    when: yes("layer.gapWide"),
    remedy: [advise("hardens-itself")],
  },
  {
    id: "gap-without-backing",
    verdict: "care",
    when: all(is("upper.role", "putty"), yes("region.fillThrough"), no("layer.backed")),
    remedy: [advise("back-it")],
  },
  {
    id: "sands-through",
    verdict: "care",
    when: all(yes("layer.sandsThrough"), not(is("region.group", "foam"))),
    remedy: [advise("sand-less"), advise("prime-again")],
  },
  {
    id: "sands-through-foam",
    verdict: "stop",
    when: all(yes("layer.sandsThrough"), is("region.group", "foam")),
    remedy: [advise("sand-less"), advise("more-barrier")],
  },
  {
    id: "spot-rim-shows",
    verdict: "care",
    when: all(atLeast("layer.rimUm", RIM_SHOWS_UM), is("region.finish", "seen", "show")),
    remedy: [addRub],
  },
  { id: "ladder-jump", verdict: "care", when: yes("layer.ladderJump"), remedy: [advise("step-between")] },
  {
    id: "coats-too-close",
    verdict: "care",
    when: is("layer.coatGap", "wet", "uncured"),
    remedy: [waitFor("flash")],
  },
  {
    id: "coats-in-forbidden-gap",
    verdict: "stop",
    when: all(
      is("layer.coatGap", "gap"),
      is("upper.family", ...familiesWith((f) => f.mechanism === "oxidation")),
      atLeast("upper.biteStrength", 2),
    ),
    remedy: [waitFor("window")],
  },
  {
    id: "coats-too-far-apart",
    verdict: "stop",
    when: all(is("layer.coatGap", "missed"), twoPartByReaction),
    remedy: [addBefore("scuff")],
  },
  {
    id: "coats-far-apart",
    verdict: "care",
    when: all(is("layer.coatGap", "missed"), not(twoPartByReaction)),
    remedy: [addBefore("scuff")],
  },
  {
    id: "colour-shows-ground",
    verdict: "care",
    when: is("layer.hiding", "short"),
    remedy: [advise("more-coats"), advise("other-undercoat")],
  },
  {
    id: "weak-colour-on-dark",
    verdict: "care",
    when: all(is("upper.role", "colour"), weakHue, no("layer.groundPale")),
    remedy: [advise("light-ground")],
  },
  {
    id: "too-hot-in-service",
    verdict: "stop",
    when: all(film, has("region.exposure", "heat"), is("layer.serviceUnder", "stated")),
    remedy: [advise("other-product")],
    evidence: "label",
  },
  {
    id: "too-hot-by-family",
    verdict: "test",
    when: all(film, has("region.exposure", "heat"), is("layer.serviceUnder", "usual")),
    remedy: [advise("find-out"), advise("other-product")],
  },
  {
    id: "tape-too-soon",
    verdict: "stop",
    when: yes("layer.tapeEarly"),
    remedy: [waitFor("tape-safe")],
  },
  {
    id: "high-tack-on-foam",
    verdict: "stop",
    when: all(is("layer.taped", "high"), is("region.group", "foam")),
    remedy: [advise("low-tack")],
  },
  {
    id: "high-tack",
    verdict: "care",
    when: all(
      is("layer.taped", "high"),
      not(is("region.group", "foam")),
      any(
        yes("layer.tapeOnUncured"),
        all(yes("region.slick"), is("region.group", "plastic"), no("layer.promoterBelow")),
      ),
    ),
    remedy: [advise("low-tack")],
  },
  { id: "tape-overdue", verdict: "care", when: yes("layer.tapeOverdue"), remedy: [advise("pull-in-time")] },
  {
    id: "two-in-one-cup",
    verdict: "stop",
    when: is("layer.cupMix", "other-family"),
    remedy: [advise("one-product")],
  },
  {
    id: "ranges-in-one-cup",
    verdict: "test",
    when: is("layer.cupMix", "same-family"),
    remedy: [advise("one-product"), advise("coupon")],
  },
  { id: "wrong-thinner", verdict: "stop", when: no("layer.thinnerFits"), remedy: [advise("right-thinner")] },
  { id: "pot-life-over", verdict: "stop", when: yes("layer.potLifeOver"), remedy: [advise("smaller-batches")] },
  {
    id: "mix-ratio-off",
    verdict: "stop",
    when: all(yes("layer.mixOff"), twoPartByReaction),
    remedy: [advise("by-the-ratio")],
    evidence: "label",
  },
  {
    id: "ratio-off",
    verdict: "care",
    when: all(yes("layer.mixOff"), not(twoPartByReaction)),
    remedy: [advise("by-the-ratio")],
    evidence: "label",
  },
  {
    id: "accelerator-near-paint",
    verdict: "stop",
    when: all(
      film,
      any(yes("upper.activator"), yes("layer.activatorUsed")),
      any(yes("layer.filmBelow"), not(is("region.ground", "bare"))),
    ),
    remedy: [advise("hold-without")],
  },
  {
    id: "fumes-near-clear",
    verdict: "care",
    when: all(film, is("upper.family", ...familiesWith((f) => f.fogs)), yes("region.clearNearby")),
    remedy: [advise("ventilate-or-other-glue")],
  },
  {
    id: "heat-over-limit",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: yes("layer.heatOverLimit"),
    remedy: [advise("less-heat")],
  },
  {
    id: "heat-unstated",
    verdict: "care",
    evidence: "safety-practice",
    when: yes("layer.heatUnstated"),
    remedy: [advise("less-heat")],
  },
  {
    id: "heat-on-wet-solvent",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: yes("layer.heatBeforeTouch"),
    remedy: [waitFor("touch")],
  },
  {
    id: "can-too-hot",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: all(is("upper.method", "aerosol"), yes("layer.canOver45")),
    remedy: [advise("hand-warm-can")],
  },
  {
    id: "bath-no-can",
    verdict: "care",
    when: all(yes("layer.canBath"), not(is("upper.method", "aerosol"))),
    remedy: [advise("stir-warm")],
  },
  {
    id: "lead-rubbed-dry",
    verdict: "stop",
    kind: "safety",
    evidence: "safety-practice",
    when: any(
      all(is("region.leadRisk", "assumed", "told"), yes("layer.dryRubReachesGround")),
      all(is("region.leadRisk", "told"), yes("layer.heated")),
    ),
    remedy: [advise("wet-and-filter"), advise("lead-test")],
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
      mayHoldIsocyanate,
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
    when: all(yes("upper.sprayed"), vapourUnmasked),
    remedy: [advise("wear-protection")],
  },
  {
    id: "spray-no-filter",
    verdict: "care",
    evidence: "safety-practice",
    // a vapour filter comes with a particle filter: where that one is missing it is told
    when: all(yes("upper.sprayed"), noParticleFilter, not(vapourUnmasked)),
    remedy: [advise("wear-protection")],
  },
  {
    id: "sanding-no-filter",
    verdict: "care",
    evidence: "safety-practice",
    when: all(yes("layer.rubbed"), noParticleFilter),
    remedy: [advise("wear-protection")],
  },
]);
