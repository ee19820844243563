import { done, type LookView, type Outcome, type TaughtView } from "@/contracts";
import { isStrange } from "@/core/learning";
import { type Calibration, calibration, explained, type FilmLook, taught, telling } from "@/core/witness";
import { viewing } from "../guard";
import type { Snapshot } from "../workspace/snapshot";

/** So many looks are shown; all of them count. */
const SHOWN = 200;

/** What looks have taught of this shed's waits, with every look it rests on. */
export const getTaught = (): Outcome<TaughtView> => viewing((s) => done(taughtView(s)));

function taughtView(s: Snapshot): TaughtView {
  const { looks, shopState, shelf } = s.data;
  const cans = [...new Set(looks.map((l) => l.canId))].filter((id) => s.data.products.has(id));
  const { shed, products } = taught(looks, cans);
  const newest = new Map(looks.map((l) => [l.canId, l]));
  return {
    shed,
    count: telling(looks).length,
    calibration: calibrationOf(looks),
    products: Object.fromEntries(
      products.map(({ productId, looks: count, ...factor }) => [
        productId,
        {
          ...factor,
          count,
          strange:
            count > 0 && isStrange(factor)
              ? explained(s.productOf(productId), newest.get(productId)!.milestone, factor.median)
              : null,
        },
      ]),
    ),
    hands: [...s.data.hands].map(([kind, h]) => ({ kind, ...h })),
    handsSince: shopState.shop.handsSince ?? null,
    looks: looks.slice(-SHOWN).reverse().map(lookView(s)),
    names: Object.fromEntries(shelf.map(({ product }) => [product.id, product.name])),
    timeZone: shopState.shop.timeZone,
  };
}

/** Worked out once as long as the looks are the same: two screens ask for it. */
const calibrations = new WeakMap<readonly FilmLook[], Calibration>();
function calibrationOf(looks: readonly FilmLook[]): Calibration {
  const known = calibrations.get(looks) ?? calibration(looks);
  calibrations.set(looks, known);
  return known;
}

const lookView =
  (s: Snapshot) =>
  ({ productId: _p, opId: _o, wftUm: _w, ...look }: FilmLook): LookView => {
    const home = s.home(look.regionId);
    return { ...look, place: home ? `${home.part.name}, ${home.node.region.name}` : null };
  };
