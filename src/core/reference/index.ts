export * from "./abrasives";
export * from "./carriers";
export * from "./families";
export * from "./label";
export * from "./labour";
export * from "./limits";
export * from "./materials";
export * from "./ways";
