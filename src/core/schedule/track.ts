/** A stretch of time something is taken for. */
export interface Booking {
  readonly opId: string;
  readonly startMin: number;
  readonly endMin: number;
  readonly amount: number;
  /** what the resource is loaded with, or what kind of thing is in the air; undefined = nothing in particular */
  readonly load: string | undefined;
  /** a cleaning: of which resource */
  readonly cleans?: string | undefined;
  /** in the air: whose it is */
  readonly of?: string | undefined;
}

/** Buckets of one day: a question about an evening looks at that evening's bookings only. */
const BUCKET_MIN = 1440;

/** Bookings of one resource, found by when they are. */
export class Track {
  private readonly buckets = new Map<number, Booking[]>();

  add(b: Booking): void {
    for (let k = bucketOf(b.startMin); k <= bucketOf(b.endMin); k++) {
      const list = this.buckets.get(k);
      if (list) list.push(b);
      else this.buckets.set(k, [b]);
    }
  }

  remove(b: Booking): void {
    for (let k = bucketOf(b.startMin); k <= bucketOf(b.endMin); k++) {
      const list = this.buckets.get(k);
      const at = list?.indexOf(b) ?? -1;
      if (at >= 0) list!.splice(at, 1);
    }
  }

  /** Bookings that touch [startMin, endMin) with at least some of their own length, each once, oldest first put. */
  during(startMin: number, endMin: number): readonly Booking[] {
    const first = bucketOf(startMin);
    const last = bucketOf(endMin);
    const touches = (b: Booking) => b.startMin < endMin && b.endMin > startMin;
    if (first === last) return (this.buckets.get(first) ?? []).filter(touches);
    const found = new Set<Booking>();
    for (let k = first; k <= last; k++) for (const b of this.buckets.get(k) ?? []) if (touches(b)) found.add(b);
    return [...found];
  }
}

const bucketOf = (t: number): number => Math.floor(t / BUCKET_MIN);
