// A deliberate violation: the fence of this name must refuse it.
import { airAt } from "../../src/core/film";
export const broken = airAt;
