export * from "./face";
export * from "./finishing";
export * from "./order";
