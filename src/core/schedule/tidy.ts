import { nightsBetween } from "./apart";
import type { Placer } from "./placer";
import type { Problem } from "./types";

/** A plan to be tried: priorities and holds, by operation. */
interface Trial {
  readonly priority: Float64Array;
  readonly hold: Float64Array;
}

interface Pair {
  readonly from: number;
  readonly to: number;
  readonly weight: number;
}

/**
 * Ways to bring together what lies apart over night in a finished plan, worst first: what comes first is put off to the session of
 * what it is for, alone or with all that has to be near it in turn, or what comes after is brought forward. All else stays where it
 * lies and is pushed only where it is in the way, or else goes as early as it then may.
 */
export class Tidy {
  private readonly pairs: readonly Pair[];
  private readonly before: readonly (readonly Pair[])[];
  private readonly after: readonly (readonly Pair[])[];

  constructor(
    private readonly problem: Problem,
    placer: Placer,
  ) {
    const index = new Map(placer.ids.map((id, i) => [id, i]));
    this.pairs = (problem.near ?? []).flatMap(({ from, to, weight }): Pair[] => {
      const [a, b] = [index.get(from), index.get(to)];
      return a === undefined || b === undefined ? [] : [{ from: a, to: b, weight }];
    });
    this.before = placer.ids.map((_, i) => this.pairs.filter((p) => p.to === i));
    this.after = placer.ids.map((_, i) => this.pairs.filter((p) => p.from === i));
  }

  /** @param starts of the plan at hand */
  *trials(starts: Float64Array): Generator<Trial> {
    const { ops } = this.problem;
    const end = (i: number) => starts[i]! + ops[i]!.durationMin;
    const apart = (p: Pair) => p.weight * nightsBetween(end(p.from), starts[p.to]!);
    const worst = this.pairs
      .filter((p) => !ops[p.to]!.fixed && apart(p) > 0)
      .sort((a, b) => apart(b) - apart(a) || starts[a.to]! - starts[b.to]!);
    const last = starts.reduce((most, x) => Math.max(most, x), 0);
    const inOrder = starts.map((x) => last - x + 1);
    const open = new Float64Array(starts.length);
    for (const pair of worst) {
      const sessionMin = this.sessionOf(starts[pair.to]!);
      if (sessionMin === null) continue;
      const led = this.run(
        pair.from,
        this.before,
        (p) => p.from,
        (p) => apart(p) === 0 && !ops[p.from]!.fixed,
      );
      const follows = this.run(
        pair.to,
        this.after,
        (p) => p.to,
        (p) => apart(p) === 0,
      );
      for (const held of [starts, open]) {
        // what leads to it is put off with it, or is left where it is
        for (const some of led.length > 1 ? [led, [pair.from]] : [led]) {
          if (some.some((i) => ops[i]!.fixed)) continue;
          const priority = inOrder.slice();
          const hold = held.slice();
          for (const i of some) {
            hold[i] = Math.max(starts[i]!, sessionMin);
            priority[i] = last - sessionMin + 2;
          }
          yield { priority, hold };
        }
        const priority = inOrder.slice();
        const hold = held.slice();
        for (const i of follows) {
          hold[i] = 0;
          priority[i] = last - end(pair.from) + 2;
        }
        yield { priority, hold };
      }
    }
  }

  /** An operation and all that is near to it in turn, one way along the pairs. */
  private run(
    i: number,
    along: readonly (readonly Pair[])[],
    next: (p: Pair) => number,
    goesOn: (p: Pair) => boolean,
  ): readonly number[] {
    const seen = new Set([i]);
    for (const at of seen) for (const p of along[at]!) if (goesOn(p)) seen.add(next(p));
    return [...seen];
  }

  private sessionOf(t: number): number | null {
    return this.problem.sessions.find((s) => s.startMin <= t && t < s.endMin)?.startMin ?? null;
  }
}
