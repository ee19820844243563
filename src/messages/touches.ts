import type { SealKind, TouchKind } from "@/core/model";

export const TOUCH_NAME: Readonly<Record<TouchKind | SealKind, string>> = {
  waterslide: "Waterslide decals",
  "cut-film": "Cut film",
  "dry-transfer": "Dry transfers",
  chips: "Chips and bare edges",
  filter: "Filter",
  "panel-wash": "Wash",
  streaks: "Streaks",
  stains: "Stains",
  "dry-brush": "Dry brush",
  dust: "Dust and mud",
  "gloss-under": "Gloss under decals",
  seal: "Seal the markings",
  barrier: "Barrier",
  "over-all": "Clear over all",
};

/** Why it stands where it does. */
export const TOUCH_WHY: Readonly<Record<TouchKind | SealKind, string>> = {
  waterslide: "On gloss, before anything dirties it: it belongs to the paint.",
  "cut-film": "Before the dirt: it belongs to the paint. Laid dry or wet, pressed down only once it lies right.",
  "dry-transfer": "Before the dirt: it belongs to the paint. Rub down once, it does not come up again whole.",
  chips: "Damage before dirt: dirt lies on top of it.",
  filter: "Shifts the whole shade before the shadows go in.",
  "panel-wash": "Into the recesses, over damage; what is too much comes off while it is wet.",
  streaks: "Down from edges and bolts, over the wash.",
  stains: "Over the streaks that feed them.",
  "dry-brush": "Brings the edges out again over what darkened them.",
  dust: "Last of all: it lies on everything.",
  "gloss-under": "A decal lies flat on gloss alone; on matt it traps air and silvers.",
  seal: "Shuts the markings in, so that no wash stains them or lifts an edge.",
  barrier: "What comes next would bite what lies below; this keeps it off.",
  "over-all": "Shuts all of it in and brings it to one sheen.",
};

/** When to stop, and until when it can be taken back. */
export const TOUCH_STOP: Readonly<Partial<Record<TouchKind, string>>> = {
  waterslide: "Float it into place, blot from the middle, soften, and leave it alone until it is flat and dry.",
  chips: "One step fewer than looks right on the palette; a damp cloth takes it off within minutes.",
  filter: "Two thin ones rather than one: it darkens as it dries less than it seems wet.",
  "panel-wash":
    "Stop when the recesses read from an arm’s length; wipe off with its own thinner before it is touch dry.",
  streaks: "Pull down, then nearly all of it off again.",
  stains: "A few, and none alike.",
  "dry-brush": "The brush leaves next to nothing on paper before it touches the part.",
  dust: "Stop early: more can follow, less cannot once a clear is over it.",
};

/** Clears a list wants that nothing on the shelf is fit for. */
export const SEAL_MISSING: Readonly<Record<SealKind, string>> = {
  "gloss-under": "No gloss clear of the shelf is fit to lie under the decals: on this film they silver.",
  seal: "No clear of the shelf is fit to shut the markings in before the dirt.",
  barrier: "No clear of the shelf keeps the next one off what lies below.",
  "over-all": "No clear of the shelf is fit to go over all of it: it stays open to fingers.",
};
