import { assert, seededRandom } from "../base";

/** One colour of a scheme, wherever it lies: what is laid in one go. */
export interface Run {
  readonly id: string;
  /** hands-on minutes of one coat */
  readonly coatMin: number;
  /** coats over what is common below */
  readonly baseCoats: number;
  /** coats over another run's colour; 0 = it never comes to lie on it */
  readonly coatsOver: Readonly<Record<string, number>>;
  /** mist of it flies onto what lies open beside it */
  readonly sprayed: boolean;
  /** after its last coat until tape may lie on it, minutes */
  readonly tapeSafeMin: number;
  /** minutes to cover it whole once, without its edges */
  readonly coverMin: number;
  /** minutes of tape along its edges with another run */
  readonly edgeMin: Readonly<Record<string, number>>;
  /** it has to be the first or the last of all: metal that shows as metal */
  readonly atAnEnd: boolean;
  /** what stays as it is below: it lies there before every other, is laid by nobody, and is covered like any other */
  readonly isGround?: true;
}

/** What a step of an order comes to. */
interface Step {
  readonly id: string;
  readonly coats: number;
  /** runs that are covered before it, newly */
  readonly covers: readonly string[];
  /** runs that lie under their masks already */
  readonly covered: readonly string[];
  /** minutes of hands: its coats, and the masks before it */
  readonly handsMin: number;
  readonly maskMin: number;
  /** minutes of waiting until its masks may be laid */
  readonly waitMin: number;
}

export interface Order {
  readonly ids: readonly string[];
  readonly steps: readonly Step[];
  readonly cost: number;
  readonly coats: number;
  readonly masks: number;
  readonly handsMin: number;
  readonly waitMin: number;
  /** it is proved to be the cheapest */
  readonly exact: boolean;
}

/** A minute of waiting against a minute of hands: one does something else meanwhile, and yet it is another evening (est.). */
const WAIT_WEIGHT = 0.05;
/** What has to come at an end, in the middle: never chosen where there is another way. */
const FORBIDDEN = 1e6;
/** Exact up to here. */
export const MOST_EXACT = 12;

/** Whether a mask is wanted on a run that lies there while another is laid. */
const wantsCover = (lies: Run, laid: Run): boolean => laid.sprayed || (lies.edgeMin[laid.id] ?? 0) > 0;

/** What lies on what: the worst of the ground and of the mist of what was sprayed beside it before. */
function coatsOf(run: Run, before: readonly Run[]): number {
  return before.reduce((most, b) => (b.sprayed ? Math.max(most, run.coatsOver[b.id] ?? 0) : most), run.baseCoats);
}

/** The step that lays a run on top of others. @param covered which of those lie under their masks already */
function stepOf(run: Run, before: readonly Run[], covered: ReadonlySet<string>): { step: Step; cost: number } {
  const covers = before.filter((b) => !covered.has(b.id) && wantsCover(b, run));
  const maskMin = covers.reduce((sum, b) => sum + b.coverMin, 0);
  const edges = before.reduce((sum, b) => sum + (b.edgeMin[run.id] ?? 0), 0);
  const waitMin = Math.max(0, ...covers.map((b) => b.tapeSafeMin));
  const coats = coatsOf(run, before);
  const handsMin = coats * run.coatMin + maskMin + edges;
  const step = {
    id: run.id,
    coats,
    covers: covers.map((b) => b.id),
    covered: [...covered],
    handsMin,
    maskMin: maskMin + edges,
    waitMin,
  };
  return { step, cost: handsMin + WAIT_WEIGHT * waitMin };
}

const endCost = (run: Run, n: number, of: number): number => (run.atAnEnd && n !== 0 && n !== of - 1 ? FORBIDDEN : 0);

const laidOnes = (runs: readonly Run[]): readonly Run[] => runs.filter((r) => !r.isGround);

/** What an order comes to, step by step. Masks stay on until the last colour. @param ids every run that is laid, once */
export function priced(runs: readonly Run[], ids: readonly string[], exact = false): Order {
  const byId = new Map(laidOnes(runs).map((r) => [r.id, r]));
  assert(ids.length === byId.size && ids.every((id) => byId.has(id)), "an order names every run once");
  const covered = new Set<string>();
  const before: Run[] = runs.filter((r) => r.isGround);
  const steps: Step[] = [];
  let cost = 0;
  ids.forEach((id, n) => {
    const run = byId.get(id)!;
    const { step, cost: own } = stepOf(run, before, covered);
    cost += own + endCost(run, n, ids.length);
    for (const c of step.covers) covered.add(c);
    steps.push(step);
    before.push(run);
  });
  const sum = (of: (s: Step) => number) => steps.reduce((total, s) => total + of(s), 0);
  return {
    ids,
    steps,
    cost,
    coats: sum((s) => s.coats),
    masks: sum((s) => s.covers.length),
    handsMin: sum((s) => s.handsMin),
    waitMin: sum((s) => s.waitMin),
    exact,
  };
}

/**
 * The cheapest order. Up to twelve runs by dynamic programming over the sets of what lies there: which of them are masked follows
 * from the set and the run laid last, so both are the state. Beyond that by exchanging from several seeded beginnings, and said so.
 */
export function bestOrder(runs: readonly Run[]): Order {
  const laid = laidOnes(runs);
  if (laid.length <= 1)
    return priced(
      runs,
      laid.map((r) => r.id),
      true,
    );
  return laid.length <= MOST_EXACT ? exactly(runs) : searched(runs);
}

/** A set of runs that lie there, which of them are masked, what that cost, and the state it came from. */
interface State {
  readonly cost: number;
  readonly last: number;
  readonly from: number;
}

/** Runs as bits: what a step costs in a few dozen sums, for searches that ask it by the million. The same figures as `stepOf`. */
class Bits {
  readonly runs: readonly Run[];
  /** what stays as it is below comes first: it lies there from the beginning, laid by nobody */
  readonly grounds: number;
  readonly n: number;
  private readonly edge: readonly (readonly number[])[];
  private readonly over: readonly (readonly number[])[];
  private readonly wants: readonly number[];

  constructor(all: readonly Run[]) {
    const ground = all.filter((r) => r.isGround);
    const runs = [...ground, ...laidOnes(all)];
    this.runs = runs;
    this.grounds = ground.length;
    this.n = runs.length;
    this.edge = runs.map((lies) => runs.map((laid) => lies.edgeMin[laid.id] ?? 0));
    this.over = runs.map((run) => runs.map((b) => (b.sprayed ? (run.coatsOver[b.id] ?? 0) : 0)));
    this.wants = runs.map((laid) =>
      runs.reduce((bits, lies, i) => (wantsCover(lies, laid) ? bits | (1 << i) : bits), 0),
    );
  }

  /** What is masked once run i is laid over what lies there. */
  coveredBy(i: number, lies: number, covered: number): number {
    return covered | (lies & this.wants[i]!);
  }

  /** @param place of the step among those that are laid, from 0 */
  stepCost(i: number, lies: number, covered: number, place: number): number {
    const { runs, n } = this;
    const run = runs[i]!;
    const [over, covers] = [this.over[i]!, lies & this.wants[i]! & ~covered];
    let [coats, hands, wait] = [run.baseCoats, 0, 0];
    for (let b = 0; b < n; b++) {
      const bit = 1 << b;
      if (!(lies & bit)) continue;
      hands += this.edge[b]![i]!;
      if (over[b]! > coats) coats = over[b]!;
      if (!(covers & bit)) continue;
      const { coverMin, tapeSafeMin } = runs[b]!;
      hands += coverMin;
      if (tapeSafeMin > wait) wait = tapeSafeMin;
    }
    hands += coats * run.coatMin;
    return hands + WAIT_WEIGHT * wait + endCost(run, place, n - this.grounds);
  }

  /** What lies there before the first colour. */
  get begun(): number {
    return (1 << this.grounds) - 1;
  }

  /** @param order every run that is laid, by its bit */
  orderCost(order: readonly number[]): number {
    let [lies, covered, cost] = [this.begun, 0, 0];
    for (let place = 0; place < order.length; place++) {
      const i = order[place]!;
      cost += this.stepCost(i, lies, covered, place);
      covered = this.coveredBy(i, lies, covered);
      lies |= 1 << i;
    }
    return cost;
  }

  idsOf(order: readonly number[]): readonly string[] {
    return order.map((i) => this.runs[i]!.id);
  }
}

function exactly(all: readonly Run[]): Order {
  const bits = new Bits(all);
  const { n, grounds, begun } = bits;
  const size = 1 << n;
  const key = (lies: number, covered: number): number => lies * size + covered;
  const states = new Map<number, State>([[key(begun, 0), { cost: 0, last: -1, from: -1 }]]);
  let layer = [key(begun, 0)];
  for (let place = 0; place < n - grounds; place++) {
    const next = new Set<number>();
    for (const own of layer) {
      const [lies, covered] = [Math.floor(own / size), own % size];
      const { cost } = states.get(own)!;
      for (let i = grounds; i < n; i++) {
        if (lies & (1 << i)) continue;
        const total = cost + bits.stepCost(i, lies, covered, place);
        const to = key(lies | (1 << i), bits.coveredBy(i, lies, covered));
        const known = states.get(to);
        if (known && total >= known.cost - 1e-9) continue;
        states.set(to, { cost: total, last: i, from: own });
        next.add(to);
      }
    }
    layer = [...next];
  }
  let end = layer.reduce((a, b) => (states.get(b)!.cost < states.get(a)!.cost - 1e-9 ? b : a));
  const order: number[] = [];
  while (end !== key(begun, 0)) {
    const { last, from } = states.get(end)!;
    order.unshift(last);
    end = from;
  }
  return priced(all, bits.idsOf(order), true);
}

const BEGINNINGS = 24;

function searched(all: readonly Run[]): Order {
  const bits = new Bits(all);
  const random = seededRandom(7);
  const asTold = Array.from({ length: bits.n - bits.grounds }, (_, k) => k + bits.grounds);
  let best: { readonly order: readonly number[]; readonly cost: number } | null = null;
  for (let n = 0; n < BEGINNINGS; n++) {
    const keys = new Map(asTold.map((i) => [i, n === 0 ? i : random()]));
    const found = improved(
      bits,
      [...asTold].sort((a, b) => keys.get(a)! - keys.get(b)!),
    );
    if (best === null || found.cost < best.cost) best = found;
  }
  return priced(all, bits.idsOf(best!.order));
}

/** Every run tried at every other place, until nothing gets cheaper. */
function improved(bits: Bits, from: readonly number[]) {
  let order = from;
  let cost = bits.orderCost(from);
  for (let again = true; again; ) {
    again = false;
    for (let i = 0; i < order.length; i++)
      for (let k = 0; k < order.length; k++) {
        if (i === k) continue;
        const tried = order.toSpliced(i, 1).toSpliced(k, 0, order[i]!);
        const own = bits.orderCost(tried);
        if (own >= cost - 1e-9) continue;
        [order, cost, again] = [tried, own, true];
      }
  }
  return { order, cost };
}

/** Why a run comes before the next: what the two the other way round would cost more. */
export interface Why {
  readonly coats: number;
  readonly handsMin: number;
  readonly waitMin: number;
}
/** One for every step but the last. */
export function whys(runs: readonly Run[], { ids, coats, handsMin, waitMin }: Order): readonly Why[] {
  return ids.slice(1).map((_, n) => {
    const swapped = priced(runs, ids.toSpliced(n, 2, ids[n + 1]!, ids[n]!));
    return {
      coats: swapped.coats - coats,
      handsMin: swapped.handsMin - handsMin,
      waitMin: swapped.waitMin - waitMin,
    };
  });
}
