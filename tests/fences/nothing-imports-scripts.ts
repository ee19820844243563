// A deliberate violation: the fence of this name must refuse it.
import { ROOT } from "../../scripts/lib/ensure.mjs";
export const broken = ROOT;
