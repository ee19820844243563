// A deliberate violation: the fence of this name must refuse it.
import { materialFacts } from "../../src/core/reference";
export const broken = materialFacts;
