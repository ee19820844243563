// A deliberate violation: the fence of this name must refuse it.
import { saveShop } from "../../src/server/commands/shop";
export const broken = saveShop;
