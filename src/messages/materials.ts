import type { MaterialId } from "@/core/model";

/** How one tells a material without knowing its name: what it looks, feels, cuts and floats like. */
export const MATERIAL_TELL: Readonly<Record<MaterialId, string>> = {
  pla: "printed in layers; stiff, goes soft in hot tap water",
  petg: "printed in layers; tough, slightly glossy, bends before it breaks",
  "abs-asa": "printed in layers; acetone makes it sticky",
  nylon: "slippery and tough; hardly anything sticks to it",
  "pp-pe": "waxy, floats on water; hinges, tubs, bottles",
  tpu: "printed in layers; bends like rubber",
  eva: "soft foam sheet that springs back; play mats, craft foam",
  "vat-resin": "printed in resin; very fine, brittle, may smell",
  "cast-pu": "cast kit parts; cream or grey, dust like chalk, greasy from the mould",
  hips: "kit parts on a frame; plastic cement welds them",
  "clear-plastic": "windows, canopies, domes",
  xps: "foam board, even all through; blue, pink or grey, cuts smooth",
  eps: "white foam that crumbles into beads",
  epo: "moulded foam of model aircraft; you see beads, they do not crumble",
  "pu-foam": "stiff foam that rubs away to dust",
  "wood-mdf": "grain, plies or pressed fibre; card too",
  plaster: "white, cold, chalky; drinks water",
  "steel-iron": "a magnet sticks to it; rusts",
  aluminium: "light, silver grey, no magnet",
  "brass-copper": "yellow or red metal; solders",
  "white-metal": "heavy, soft, dull grey castings; may hold lead",
  stainless: "bright, hard, or plated with chrome",
  glassfibre: "cloth in hard resin; hulls, cowls",
};
export const MATERIAL_GROUP_NAME = {
  plastic: "Plastic",
  resin: "Resin",
  foam: "Foam",
  metal: "Metal",
  porous: "Wood and plaster",
  laminate: "Laminate",
} as const;
