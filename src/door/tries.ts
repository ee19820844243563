/** Wrong guesses are counted by address and in all; beyond the number allowed nobody is heard until enough of them are old. */

const FORGOTTEN_MS = 10 * 60_000;
const MOST_BY_ADDRESS = 8;
const MOST_IN_ALL = 60;

export class Tries {
  private wrong: { readonly address: string; readonly atMs: number }[] = [];

  /** Seconds until somebody at that address is heard again; 0 = now. */
  waitS(address: string, nowMs: number): number {
    this.wrong = this.wrong.filter((w) => nowMs - w.atMs < FORGOTTEN_MS);
    const own = this.wrong.filter((w) => w.address === address);
    const full = own.length >= MOST_BY_ADDRESS ? own : this.wrong.length >= MOST_IN_ALL ? this.wrong : null;
    return full === null ? 0 : Math.ceil((full[0]!.atMs + FORGOTTEN_MS - nowMs) / 1000);
  }

  missed(address: string, nowMs: number): void {
    this.wrong.push({ address, atMs: nowMs });
  }
}
