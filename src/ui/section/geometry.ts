/** The film pile as a drawing: pure arithmetic from µm to px, so that it can be tested without a screen. */

export interface FilmIn {
  /** laid on, µm dry, before any rub */
  readonly addedUm: number;
  /** rubbed off again, µm */
  readonly takenUm: number;
  readonly putty: boolean;
}

interface Band {
  /** top edge, px below the top of the drawing */
  readonly topPx: number;
  readonly heightPx: number;
  /** drawn shorter than its scale, with a break line */
  readonly broken: boolean;
  /** height of what the rub took away, above the band, px */
  readonly ghostPx: number;
}

export interface SectionGeometry {
  /** bottom layer first, like the pile */
  readonly bands: readonly Band[];
  readonly pxPerUm: number;
  /** bare face, px below the top */
  readonly facePx: number;
  /** a round length for the scale bar, µm */
  readonly barUm: number;
}

/** No band is drawn thinner than this: a hairline would not be seen. */
const LEAST_BAND_PX = 5;
const BROKEN_BAND_PX = 70;
/** A putty thicker than this many times the rest of the pile is broken in the drawing. */
const BREAK_ABOVE_REST = 1.5;
const MAX_PX_PER_UM = 4;
/** Lengths that read well on a scale bar, µm. */
export const BAR_LENGTHS_UM: readonly number[] = [1, 2, 5, 10, 20, 50, 100, 200, 500, 1000, 2000, 5000];
const BAR_LEAST_PX = 34;

/** @param roomPx height the pile may take, px, ghosts included @param bars lengths the scale bar may have, µm, rising */
export function sectionGeometry(films: readonly FilmIn[], roomPx: number, bars = BAR_LENGTHS_UM): SectionGeometry {
  const keeps = films.map((f) => Math.max(0, f.addedUm - f.takenUm));
  const plain = keeps.reduce((sum, um, i) => sum + (films[i]!.putty ? 0 : um), 0);
  const broken = films.map((f, i) => f.putty && plain > 0 && keeps[i]! > BREAK_ABOVE_REST * plain);
  const brokenPx = BROKEN_BAND_PX * broken.filter(Boolean).length;
  // what a rub took off may reach above everything that was laid over it since
  const above = keeps.map((_, i) => keeps.slice(i + 1).reduce((sum, um) => sum + um, 0));
  const topGhostUm = Math.max(0, ...films.map((f, i) => f.takenUm - above[i]!));
  const scaledUm = keeps.reduce((sum, um, i) => sum + (broken[i] ? 0 : um), 0) + topGhostUm;
  const pxPerUm = scaledUm > 0 ? Math.min(MAX_PX_PER_UM, Math.max(20, roomPx - brokenPx) / scaledUm) : MAX_PX_PER_UM;
  const heights = keeps.map((um, i) => (broken[i] ? BROKEN_BAND_PX : Math.max(LEAST_BAND_PX, um * pxPerUm)));
  const total = heights.reduce((a, b) => a + b, 0) + topGhostUm * pxPerUm;
  const facePx = total;
  let edge = facePx;
  const bands = heights.map((heightPx, i): Band => {
    edge -= heightPx;
    return { topPx: edge, heightPx, broken: broken[i]!, ghostPx: films[i]!.takenUm * pxPerUm };
  });
  const barUm = bars.find((um) => um * pxPerUm >= BAR_LEAST_PX) ?? bars.at(-1)!;
  return { bands, pxPerUm, facePx, barUm };
}
