// A deliberate violation: the fence of this name must refuse it.
import { Rail } from "../../src/ui/components/Rail";
export const broken = Rail;
