/**
 * The application's only clock. ELM_BENCH_CLOCK (ISO 8601) shifts it so that it reads that moment when the
 * process starts and runs on from there: for demonstrations, pictures and tests.
 */
const holder = globalThis as unknown as { elmBenchClockShiftMs?: number };

function shiftMs(): number {
  if (holder.elmBenchClockShiftMs === undefined) {
    const wanted = process.env.ELM_BENCH_CLOCK ? Date.parse(process.env.ELM_BENCH_CLOCK) : Number.NaN;
    holder.elmBenchClockShiftMs = Number.isNaN(wanted) ? 0 : wanted - Date.now();
  }
  return holder.elmBenchClockShiftMs;
}

export const nowMs = (): number => Date.now() + shiftMs();
