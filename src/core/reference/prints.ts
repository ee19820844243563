/** What a printed face is like. */

/** A filament wall keeps this share of its layer as a ridge however upright it stands (est.). */
const LEAST_SHARE = 0.15;

/**
 * Height of the ridges between printed layers, µm: h·|cos θ|, at least 0.15·h for filament walls (est.).
 * @param layerUm layer height, µm
 * @param angleDeg lean of the face, degrees from level: 0 a gentle slope on top, 90 an upright wall
 */
export const printRidgeUm = (layerUm: number, angleDeg: number): number =>
  layerUm * Math.max(LEAST_SHARE, Math.abs(Math.cos((angleDeg * Math.PI) / 180)));
