export * from "./fields";
export * from "./op-key";
export * from "./product-fields";
export * from "./types";
export * from "./verdict-key";
export * from "./vocabulary";
