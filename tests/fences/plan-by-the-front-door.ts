// A deliberate violation: the fence of this name must refuse it.
import { Board } from "../../src/core/schedule/place";
export const broken = Board;
