/** A binary heap: the least by `compare` comes out first. */
export class Heap<T> {
  private readonly items: T[] = [];
  constructor(private readonly compare: (a: T, b: T) => number) {}

  push(item: T): void {
    const { items } = this;
    let at = items.push(item) - 1;
    while (at > 0) {
      const up = (at - 1) >> 1;
      if (this.compare(items[up]!, item) <= 0) break;
      items[at] = items[up]!;
      at = up;
    }
    items[at] = item;
  }

  pop(): T | undefined {
    const { items } = this;
    const top = items[0];
    const last = items.pop();
    if (last === undefined || items.length === 0) return top;
    let at = 0;
    for (;;) {
      let child = 2 * at + 1;
      if (child >= items.length) break;
      if (child + 1 < items.length && this.compare(items[child + 1]!, items[child]!) < 0) child += 1;
      if (this.compare(last, items[child]!) <= 0) break;
      items[at] = items[child]!;
      at = child;
    }
    items[at] = last;
    return top;
  }
}
