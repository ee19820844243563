// A deliberate violation: the fence of this name must refuse it.
import { getPlan } from "../../src/server/views/plan";
export const broken = getPlan;
