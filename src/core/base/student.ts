/** Student's t with four degrees of freedom, distribution function, in closed form. */
export function studentCdf(x: number): number {
  const r = x * x;
  const root = Math.sqrt(4 + r);
  return 0.5 + (x * (r + 6)) / (2 * (4 + r) * root);
}

/** Its density. */
export const studentPdf = (x: number): number => 0.375 * (1 + (x * x) / 4) ** -2.5;
