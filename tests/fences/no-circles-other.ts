// A deliberate violation: the fence of this name must refuse it.
import { broken } from "./no-circles";
export const other = () => broken;
