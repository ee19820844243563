// A deliberate violation: the fence of this name must refuse it.
import { dftUm } from "../../src/core/numbers";
export const broken = dftUm;
