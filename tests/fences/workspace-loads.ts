// A deliberate violation: the fence of this name must refuse it.
import { writing } from "../../src/server/guard";
export const broken = writing;
