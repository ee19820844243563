// A deliberate violation: the fence of this name must refuse it.
import { MATERIALS } from "../../src/core/model";
export const broken = MATERIALS;
