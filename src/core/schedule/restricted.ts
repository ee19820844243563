import { graphOf } from "./graph";
import type { Problem } from "./types";

/** The operation, everything before it, and everything tied to those by windows. */
export function restricted(problem: Problem, opId: string): Problem {
  const graph = graphOf(problem);
  const ids = new Set<string>();
  const queue = [opId];
  for (let id = queue.pop(); id !== undefined; id = queue.pop()) {
    if (ids.has(id)) continue;
    ids.add(id);
    for (const l of graph.into.get(id) ?? []) queue.push(l.from);
    for (const member of graph.units.find((u) => u.includes(id)) ?? []) queue.push(member);
  }
  return {
    ...problem,
    ops: problem.ops.filter((o) => ids.has(o.id)),
    links: problem.links.filter((l) => ids.has(l.from) && ids.has(l.to)),
  };
}
