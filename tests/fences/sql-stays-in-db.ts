// A deliberate violation: the fence of this name must refuse it.
import { eq } from "drizzle-orm";
export const broken = eq;
