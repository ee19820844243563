export * from "./carriers";
export * from "./families";
export * from "./label";
export * from "./labour";
export * from "./materials";
