// A deliberate violation: the fence of this name must refuse it.
import { TROUBLE } from "../../src/messages";
export const broken = TROUBLE;
