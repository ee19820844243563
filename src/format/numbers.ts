/** Figures as people read them; one place for how many digits are believable. */
export const um = (x: number): string => `${x >= 100 ? Math.round(x) : Math.round(x * 10) / 10} µm`;
export const degC = (x: number): string => `${Math.round(x * 10) / 10} °C`;
export const pct = (x: number): string => `${Math.round(x)} %`;
