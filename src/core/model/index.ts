export * from "./op-key";
export * from "./types";
export * from "./verdict-key";
export * from "./vocabulary";
