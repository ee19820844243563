// A deliberate violation: the fence of this name must refuse it.
import { dewPointC } from "../../src/core/numbers";
export const broken = dewPointC;
