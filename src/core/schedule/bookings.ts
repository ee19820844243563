/** Nothing in particular loaded, or given off. */
export const NO_LOAD = -1;
const ROOM = 64;

/** Bookings of one resource in arrays, by their start; found by when they are. One to a search: it is asked by the million. */
export class Bookings {
  count = 0;
  start = new Float64Array(ROOM);
  end = new Float64Array(ROOM);
  amount = new Float64Array(ROOM);
  op = new Int32Array(ROOM);
  load = new Int32Array(ROOM);
  owner = new Int32Array(ROOM);
  /** no booking is longer: how far before a moment one may begin that still touches it */
  private longest = 0;
  private base: { readonly count: number; readonly longest: number; readonly columns: readonly number[][] } | null =
    null;

  /** Index of the first booking that may touch anything from `t` on. */
  from(t: number): number {
    const least = t - this.longest;
    let lo = 0;
    let hi = this.count;
    while (lo < hi) {
      const mid = (lo + hi) >> 1;
      if (this.start[mid]! < least) lo = mid + 1;
      else hi = mid;
    }
    return lo;
  }

  add(op: number, start: number, end: number, amount: number, load: number, owner: number): void {
    if (this.count === this.start.length) this.grow();
    let i = this.count;
    for (; i > 0 && this.start[i - 1]! > start; i--) this.move(i - 1, i);
    this.start[i] = start;
    this.end[i] = end;
    this.amount[i] = amount;
    this.op[i] = op;
    this.load[i] = load;
    this.owner[i] = owner;
    this.count += 1;
    if (end - start > this.longest) this.longest = end - start;
  }

  remove(op: number): void {
    let kept = 0;
    for (let i = 0; i < this.count; i++) {
      if (this.op[i] === op) continue;
      if (kept < i) this.move(i, kept);
      kept += 1;
    }
    this.count = kept;
  }

  private move(from: number, to: number): void {
    this.start[to] = this.start[from]!;
    this.end[to] = this.end[from]!;
    this.amount[to] = this.amount[from]!;
    this.op[to] = this.op[from]!;
    this.load[to] = this.load[from]!;
    this.owner[to] = this.owner[from]!;
  }

  /** What is booked now is what every placement begins with. */
  mark(): void {
    this.base = {
      count: this.count,
      longest: this.longest,
      columns: this.columns().map((c) => [...c.subarray(0, this.count)]),
    };
  }

  reset(): void {
    const { base } = this;
    this.count = base?.count ?? 0;
    this.longest = base?.longest ?? 0;
    if (this.count > 0) for (const [n, column] of this.columns().entries()) column.set(base!.columns[n]!);
  }

  private columns(): readonly (Float64Array | Int32Array)[] {
    return [this.start, this.end, this.amount, this.op, this.load, this.owner];
  }

  private grow(): void {
    const wider = <T extends Float64Array | Int32Array>(to: T, from: T): T => {
      to.set(from);
      return to;
    };
    const room = 2 * this.start.length;
    this.start = wider(new Float64Array(room), this.start);
    this.end = wider(new Float64Array(room), this.end);
    this.amount = wider(new Float64Array(room), this.amount);
    this.op = wider(new Int32Array(room), this.op);
    this.load = wider(new Int32Array(room), this.load);
    this.owner = wider(new Int32Array(room), this.owner);
  }
}
