// A deliberate violation: the fence of this name must refuse it.
import { planModel } from "../../src/core/plan";
export const broken = planModel;
