// A deliberate violation: the fence of this name must refuse it.
import { TROUBLE } from "../../src/ui/messages";
export const broken = TROUBLE;
