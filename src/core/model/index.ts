export * from "./types";
export * from "./vocabulary";
