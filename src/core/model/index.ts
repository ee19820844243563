export * from "./fields";
export * from "./jars";
export * from "./op-key";
export * from "./product-fields";
export * from "./region-fields";
export type { PlacedField } from "./rows";
export * from "./types";
export * from "./verdict-key";
export * from "./vocabulary";
