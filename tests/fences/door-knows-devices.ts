// A deliberate violation: the fence of this name must refuse it.
import { openDb } from "../../src/db";
export const broken = openDb;
