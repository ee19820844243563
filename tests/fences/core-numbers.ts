// A deliberate violation: the fence of this name must refuse it.
import { RULE_BOOK } from "../../src/core/rules";
export const broken = RULE_BOOK;
