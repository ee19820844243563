export * from "./air";
export * from "./backups";
export { beginWith } from "./begin";
export * from "./bench";
export { copyPart, movePart } from "./copies";
export * from "./coupons";
export { newPairLink, removeDevice, renameDevice } from "./devices";
export * from "./document";
export { getLamp, type LampNow, readStandInLamp, takeLampReading } from "./lamp";
export * from "./mishaps";
export {
  addModel,
  addPart,
  addRegion,
  deleteNode,
  editNode,
  restoreNode,
} from "./parts";
export { addPhoto, getPhoto } from "./photos";
export * from "./plan";
export { afterLook, type RoundsFound, savePlanning } from "./planning";
export { getLighter, getScale, readStandInScale, takeScaleReading } from "./scale";
export { applyScheme, applyTouches } from "./scheme";
export * from "./shelf";
export * from "./shop";
export * from "./stacks";
export * from "./told";
