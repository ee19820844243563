/**
 * Open lines of server-sent events. They never end by themselves, and a server asked to stop waits for what is open: so they are
 * hung up when the process is told to end.
 */
const holder = globalThis as unknown as { elmBenchLines?: Set<() => void> };

export function openLine(hangUp: () => void): () => void {
  if (!holder.elmBenchLines) {
    const lines = new Set<() => void>();
    holder.elmBenchLines = lines;
    for (const signal of ["SIGTERM", "SIGINT"] as const)
      process.once(signal, () => {
        for (const end of [...lines]) end();
      });
  }
  const lines = holder.elmBenchLines;
  lines.add(hangUp);
  return () => lines.delete(hangUp);
}
