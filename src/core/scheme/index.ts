export * from "./face";
export * from "./order";
