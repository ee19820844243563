export * from "./api";
export { type FilmAnswer, filmOf } from "./film";
export { readLabelText } from "./label";
export { askLearnt } from "./learn";
export { type DocumentDiagnosis, diagnoseDocument, explainReport, type SwapView, swapFor } from "./mishaps";
export * from "./suggest";
export * from "./sums";
export { whyThisWait } from "./why";
export { weighWork } from "./work";
