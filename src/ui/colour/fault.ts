import type { Problem } from "@/contracts";

/** What is wrong with a scheme, by the field it stands at. */
export interface Fault {
  readonly path: string;
  readonly message: string;
}

export const faultOf = (problem: Problem | null): Fault | null => {
  if (!problem) return null;
  const [first] = problem.fields;
  return first
    ? { path: first.path.replace(/^scheme\./, ""), message: first.message }
    : { path: "", message: problem.detail };
};
