/** Vets the catalogue of causes as it is loaded: what is not whole stops the application. */

import { assert } from "../base";
import { MISHAP_SIGNS } from "../model";
import { firstAid } from "./aid";
import { CAUSES, type Cause } from "./causes";
import { BARE_FACE, FILM_STAGES } from "./face";
import { ASKED_FACTS, TOLD_FACTS } from "./facts";
import { RECIPES } from "./recipes";

/** @returns what is wrong with a catalogue, in words; none = it is sound */
export function causeFaults(causes: readonly Cause[]): readonly string[] {
  const facts = new Set<string>([...TOLD_FACTS, ...ASKED_FACTS]);
  const recipes = new Set<string>(RECIPES);
  const ids = causes.map((c) => c.id);
  return [
    ...MISHAP_SIGNS.filter((s) => !causes.some((c) => c.sign === s)).map((s) => `${s} has no cause`),
    ...ids.filter((id, i) => ids.indexOf(id) !== i).map((id) => `${id} is told twice`),
    ...causes.flatMap((c) => [
      ...(c.prior > 0 ? [] : [`${c.id} cannot be`]),
      ...(c.mends.length > 0 ? [] : [`${c.id} has no mend`]),
      ...c.mends.filter((m) => !recipes.has(m)).map((m) => `${c.id} is mended by ${m}, which is no recipe`),
      ...[...Object.keys(c.for), ...Object.keys(c.against ?? {}), ...(c.must ?? [])]
        .filter((f) => !facts.has(f))
        .map((f) => `${c.id} asks for ${f}, which is no fact`),
      ...Object.entries({ ...c.for, ...c.against })
        .filter(([, w]) => !(w > 1))
        .map(([f]) => `${c.id}: the weight of ${f} says nothing`),
    ]),
    ...MISHAP_SIGNS.flatMap((s) =>
      FILM_STAGES.filter((stage) => firstAidMissing(s, stage)).map((stage) => `${s} has no first aid when ${stage}`),
    ),
  ];
}

const AT = { bare: null, wet: [1, 2, 3], touch: [0, 2, 3], sandable: [0, 0, 3], cured: [0, 0, 0] } as const;

function firstAidMissing(sign: Cause["sign"], stage: (typeof FILM_STAGES)[number]): boolean {
  const times = AT[stage];
  const top = times && {
    layerId: "l",
    productId: "p",
    opId: "o",
    endMin: 0,
    touchMin: times[0],
    handleMin: times[0],
    sandableMin: times[1],
    curedMin: times[2],
  };
  return firstAid(sign, { ...BARE_FACE, top }, 0).lines.length === 0;
}

const faults = causeFaults(CAUSES);
assert(faults.length === 0, `the catalogue of causes is not sound: ${faults.join("; ")}`);
