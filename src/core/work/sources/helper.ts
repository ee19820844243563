import { type HelperRole, type Layer, opIds, type Product, type Region } from "../../model";
import { DECAL_SETTLES_MIN, glueTimes, HELPER_LABOUR } from "../../reference";
import { blankOperation, type Operation } from "../operations";
import type { Wait } from "../types";
import { lastCoatId } from "./layer";
import { HANDLED, leavesFace, minutesFor, NO_WAIT, type Work } from "./put-together";

/** Source: what touches a face without staying, in its place in the pile: a wipe, a polish, glue, a decal's softener. */

interface HelperLaw {
  /** what it waits for in the film below */
  readonly below: Wait;
  /** what follows waits so long */
  readonly after: (region: Region, product: Product, onFilm: boolean) => Wait;
}

const WIPE: HelperLaw = { below: HANDLED, after: leavesFace };
const LAWS: Readonly<Record<HelperRole, HelperLaw>> = {
  degreaser: WIPE,
  thinner: WIPE,
  polish: { below: { kind: "milestone", milestone: "polishable", leastMin: 0 }, after: () => NO_WAIT },
  "decal-setting": {
    below: { kind: "milestone", milestone: "touch", leastMin: 0 },
    after: (_, { label }) => ({ kind: "fixed", minutes: label.touchMin ?? DECAL_SETTLES_MIN, what: "decal" }),
  },
  adhesive: {
    below: HANDLED,
    after: (_, glue) => {
      const { worksMin, byReaction } = glueTimes(glue);
      return { kind: "joint", refMin: worksMin, byReaction };
    },
  },
};

/** @param below the film it lies on; null = the bare face */
export function helperOf(work: Work, region: Region, layer: Layer, below: Layer | null, product: Product): void {
  const role = product.role as HelperRole;
  const law = LAWS[role];
  const op = helperOp(region, layer, product, role);
  if (below) work.waitFor(lastCoatId(below, region), op.id, law.below);
  work.push(op, law.after(region, product, below !== null));
}

const helperOp = (region: Region, layer: Layer, product: Product, role: HelperRole): Operation => ({
  ...blankOperation,
  id: opIds.use(layer.id),
  regionId: region.id,
  layerId: layer.id,
  kind: "helper",
  withId: product.id,
  of: layer.coats,
  handsOnMin: minutesFor(HELPER_LABOUR[role], region.areaCm2, layer.coats),
});
