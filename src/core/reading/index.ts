export type { Find, ReadFigure, ReadValue, Told } from "./finds";
export { type LabelRead, MOST_TEXT, readLabel } from "./read";
