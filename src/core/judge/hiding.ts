import { at } from "../base";
import type { Product } from "../model";
import { coatsToHide, hexLuminance, hueOf, linearRgb } from "../numbers";
import { materialFacts, PALE_FOR_TRANSPARENT, PALE_FROM } from "../reference";
import type { Facts } from "../rules";
import { coatDryUm, groundColour, type Pile } from "./pile";

/** What a colour lies on: the film that shows under it, else the bare material, whose shade is a usual one. */
interface Ground {
  readonly colour: string;
  readonly effect: Product["effect"];
}
function groundOfColour(pile: Pile, i: number): Ground | null {
  const film = groundColour(pile, i);
  if (film) return film;
  const covered = pile.films.some((k) => k < i && !SHOWS_THROUGH.has(at(pile.products, k).role));
  const { material } = pile.input.region;
  if (covered || pile.input.region.oldFinish || material === null || material === "unknown") return null;
  return {
    colour: materialFacts(material).usualColour,
    effect: materialFacts(material).group === "metal" ? "metallic" : "solid",
  };
}
const SHOWS_THROUGH = new Set(["clear", "decal", "promoter"]);

export function colourFacts(pile: Pile, i: number): Facts {
  const p = at(pile.products, i);
  // what is sponged, streaked or dry-brushed is meant to let the colour below show
  const isTouch = at(pile.layers, i).touch != null;
  if (p.role !== "colour" || isTouch || p.assumed?.includes("colour"))
    return { "layer.hue": null, "layer.groundPale": null };
  const ground = groundOfColour(pile, i);
  const hue = hueOf(p.colour);
  const sameHue = ground !== null && hue !== "other" && hueOf(ground.colour) === hue;
  const pale = ground === null || sameHue || ground.colour === p.colour ? null : paleUnder(p, ground);
  const needed = coatsNeeded(pile, i);
  return {
    "layer.hue": hue,
    "layer.groundPale": pale,
    "layer.hiding": needed === null ? null : needed <= at(pile.layers, i).coats ? "enough" : "short",
  };
}

/** Metal is neither pale nor dark: only transparent colours are laid over it for its shine. */
function paleUnder(p: Product, ground: Ground): boolean {
  const shines = ground.effect === "metallic" || ground.effect === "pearl";
  if (p.effect === "transparent") return shines || hexLuminance(ground.colour) >= PALE_FOR_TRANSPARENT;
  return !shines && hexLuminance(ground.colour) >= PALE_FROM;
}

/** Coats that would hide what is below; Infinity = no number of them. Null = it goes by rule, or nobody told. */
export function coatsNeeded(pile: Pile, i: number): number | null {
  const p = at(pile.products, i);
  const ground = groundOfColour(pile, i);
  if (p.effect !== "solid" || p.opaqueDftUm == null || ground === null || ground.effect !== "solid") return null;
  return coatsToHide(p.colour, p.opaqueDftUm, coatDryUm(pile, i), linearRgb(ground.colour)) ?? Infinity;
}
