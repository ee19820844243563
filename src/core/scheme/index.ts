export * from "./face";
export * from "./finishing";
export * from "./order";
export { leftUnpainted, type Unpainted } from "./unpainted";
