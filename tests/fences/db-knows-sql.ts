// A deliberate violation: the fence of this name must refuse it.
import { nowMs } from "../../src/server";
export const broken = nowMs;
