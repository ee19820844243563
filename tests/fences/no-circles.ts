// A deliberate violation: the fence of this name must refuse it.
import { other } from "./no-circles-other";
export const broken = () => other;
