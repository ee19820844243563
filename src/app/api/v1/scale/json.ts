import type { ScaleReading } from "@/contracts";

export const scaleJson = ({ massG, at, source }: ScaleReading) => ({ mass_g: massG, at, source });
