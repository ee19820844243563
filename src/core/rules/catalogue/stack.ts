/** Rules on a pile as a whole, and on the air a layer is laid in. */

import {
  BLUSH_ABOVE_RH_PCT,
  CAN_COLD_C,
  DETAIL_LOSS_CARE,
  DETAIL_LOSS_STOP,
  DEW_MARGIN_C,
  SOAK_LONG_MIN,
  STACKED_COATS,
} from "../../reference";
import { above, all, any, atLeast, below, has, is, no, not, yes } from "../condition";
import { addBefore, advise, rulesFor } from "../rule";

const CARE_PCT = 100 * DETAIL_LOSS_CARE;
const STOP_PCT = 100 * DETAIL_LOSS_STOP;

/** The pile as a whole. Percentages follow reference/labour: care from 15 % of a groove lost, refused from 30 %. */
export const STACK_RULES = rulesFor("stack", [
  {
    id: "detail-softened",
    verdict: "care",
    when: all(
      atLeast("stack.grooveLostPct", CARE_PCT),
      // what buries a ridge is meant to fill: a little of the detail goes with it
      not(all(yes("stack.ridgeBuried"), below("stack.grooveLostPct", STOP_PCT))),
      not(all(atLeast("stack.grooveLostPct", STOP_PCT), is("region.finish", "show"))),
    ),
    remedy: [advise("fewer-coats")],
  },
  {
    id: "detail-drowned",
    verdict: "stop",
    when: all(atLeast("stack.grooveLostPct", STOP_PCT), is("region.finish", "show")),
    remedy: [advise("fewer-coats")],
  },
  {
    id: "ridge-shows",
    verdict: "care",
    when: all(
      above("stack.ridgeLeftUm", 0),
      is("region.finish", "seen", "show"),
      not(all(is("region.finish", "show"), yes("stack.showsEverything"))),
    ),
    remedy: [advise("putty-first")],
  },
  {
    id: "ridge-shows-gloss",
    verdict: "stop",
    when: all(above("stack.ridgeLeftUm", 0), is("region.finish", "show"), yes("stack.showsEverything")),
    remedy: [advise("putty-first")],
  },
  {
    id: "gap-unfilled",
    verdict: "care",
    when: all(yes("stack.gapOpen"), is("region.finish", "seen", "show")),
    remedy: [advise("putty-first")],
  },
  {
    id: "pits-unfilled",
    verdict: "care",
    when: all(yes("stack.pitsOpen"), is("region.finish", "seen", "show")),
    remedy: [advise("putty-first")],
  },
  {
    id: "soak-long",
    verdict: "care",
    when: all(above("stack.soakMin", SOAK_LONG_MIN), not(is("region.group", "metal"))),
    remedy: [advise("soak-shorter")],
  },
  {
    id: "no-uv-protection",
    verdict: "care",
    when: all(has("region.exposure", "uv"), no("stack.uvResistant"), not(is("stack.fadingHue", "red", "yellow"))),
    remedy: [advise("uv-clear")],
  },
  {
    id: "red-or-yellow-fades",
    verdict: "care",
    when: all(has("region.exposure", "uv"), no("stack.uvResistant"), is("stack.fadingHue", "red", "yellow")),
    remedy: [advise("uv-clear")],
  },
  {
    id: "not-oil-proof",
    verdict: "stop",
    when: all(has("region.exposure", "oil-fuel"), is("stack.topOilProof", "stated-no")),
    remedy: [advise("oil-proof-top")],
  },
  {
    id: "oil-proof-unsaid",
    verdict: "test",
    when: all(has("region.exposure", "oil-fuel"), is("stack.topOilProof", "unsure")),
    remedy: [advise("find-out"), advise("coupon"), advise("oil-proof-top")],
  },
  {
    id: "water-colour-unsealed",
    verdict: "care",
    when: all(
      is("stack.topRole", "colour"),
      yes("stack.topWaterBorne"),
      has("region.exposure", "handled", "wet", "uv", "salt-abrasion"),
    ),
    remedy: [advise("seal-it")],
  },
  {
    id: "scratch-shows",
    verdict: "care",
    when: all(
      yes("stack.scratchShows"),
      not(is("region.finish", "hidden")),
      not(all(is("region.finish", "show"), yes("stack.showsEverything"))),
    ),
    remedy: [advise("finer-step")],
  },
  {
    id: "scratch-shows-gloss",
    verdict: "stop",
    when: all(yes("stack.scratchShows"), is("region.finish", "show"), yes("stack.showsEverything")),
    remedy: [advise("finer-step")],
  },
  {
    id: "over-fit",
    verdict: "stop",
    when: yes("stack.overFit"),
    remedy: [advise("mask-it"), advise("fewer-coats")],
  },
  {
    id: "over-mass",
    verdict: "care",
    when: yes("stack.overMass"),
    remedy: [advise("fewer-coats"), advise("lighter-system")],
  },
  { id: "mass-unknown", verdict: "care", when: yes("stack.massUnknown"), remedy: [advise("measure-area")] },
  { id: "etch-left-bare", verdict: "stop", when: is("stack.topRole", "primer-etch"), remedy: [advise("cover-it")] },
  { id: "promoter-left-bare", verdict: "stop", when: is("stack.topRole", "promoter"), remedy: [advise("cover-it")] },
  {
    id: "gloss-on-hidden-prep",
    verdict: "care",
    when: all(is("region.finish", "hidden"), yes("stack.showsEverything"), is("stack.topSheen", "gloss")),
    remedy: [advise("raise-finish")],
  },
  {
    id: "many-reversible-coats",
    verdict: "care",
    when: above("stack.reversibleCoats", STACKED_COATS.coats),
    remedy: [advise("fewer-coats")],
  },
]);

const lacquer = is("upper.family", "acrylic-lacquer", "nc-lacquer");
const shows = any(is("upper.role", "clear"), is("upper.sheen", "gloss"));
/** Lacquer turns milky in damp air, or on a face about to mist over (est.). */
const blushes = all(lacquer, any(above("air.rhPct", BLUSH_ABOVE_RH_PCT), below("air.dewMarginC", 1)));

/** The air a layer is laid in, when it is given. The planner waits for air; a check reports it. */
export const AIR_RULES = rulesFor("air", [
  {
    id: "air-below-limit",
    verdict: "stop",
    when: yes("air.belowLimit"),
    remedy: [advise("warm-room"), advise("wait-for-air")],
    evidence: "label",
  },
  {
    id: "air-above-limit",
    verdict: "care",
    when: yes("air.aboveLimit"),
    remedy: [advise("cool-room")],
    evidence: "label",
  },
  { id: "air-below-film-forming", verdict: "stop", when: yes("air.belowFilmForming"), remedy: [advise("warm-room")] },
  {
    id: "air-too-damp",
    verdict: "stop",
    when: yes("air.aboveHumidityLimit"),
    remedy: [advise("wait-for-air")],
    evidence: "label",
  },
  {
    id: "air-near-dew-point",
    verdict: "stop",
    when: below("air.dewMarginC", DEW_MARGIN_C),
    remedy: [addBefore("warm-part"), advise("wait-for-air"), advise("warm-room")],
    evidence: "standard",
  },
  {
    id: "air-blush",
    verdict: "care",
    when: all(blushes, not(shows)),
    remedy: [advise("wait-for-air")],
  },
  {
    id: "air-blush-clear",
    verdict: "stop",
    when: all(blushes, shows),
    remedy: [advise("wait-for-air")],
  },
  {
    id: "cold-aerosol",
    verdict: "care",
    when: all(is("upper.method", "aerosol"), below("air.canC", CAN_COLD_C)),
    remedy: [addBefore("warm-can"), advise("hand-warm-can")],
  },
  {
    id: "frost-on-stock",
    verdict: "care",
    when: all(yes("upper.waterBorne"), yes("air.frostTonight")),
    remedy: [advise("bring-in")],
  },
]);
