import { prefixClock } from "@/core/film";
import type { AirPoint, Product } from "@/core/model";
import {
  type FilmStudy,
  filmStudy,
  type QuotedWait,
  type StudyInput,
  type WhoseNumber,
  whoseNumber,
} from "@/core/study";

/** What the Film screen asks of the worker. */
export type FilmQuestion =
  | { readonly kind: "study"; readonly input: StudyInput }
  | {
      readonly kind: "whose";
      readonly product: Product;
      readonly quotes: readonly QuotedWait[];
      readonly shed: readonly AirPoint[];
      readonly startMin: number;
      readonly own: { readonly coats: number; readonly wftUm: number };
    };
export type FilmReport =
  | { readonly kind: "study"; readonly study: FilmStudy; readonly ms: number }
  | { readonly kind: "whose"; readonly whose: WhoseNumber; readonly ms: number }
  | { readonly kind: "failed"; readonly why: string };

const scope = self as unknown as {
  onmessage: ((e: MessageEvent<FilmQuestion>) => void) | null;
  postMessage: (report: FilmReport) => void;
};

function answer(q: FilmQuestion): FilmReport {
  const began = performance.now();
  if (q.kind === "study") return { kind: "study", study: filmStudy(q.input), ms: performance.now() - began };
  const climate = { points: q.shed };
  const tonight = prefixClock(climate, q.startMin, q.shed.at(-1)!.atMin);
  const { product, quotes, startMin, own } = q;
  const whose = whoseNumber({ product, quotes, climate, tonight, startMin, own });
  return { kind: "whose", whose, ms: performance.now() - began };
}

scope.onmessage = ({ data }) => {
  try {
    scope.postMessage(answer(data));
  } catch (error) {
    scope.postMessage({ kind: "failed", why: String(error) });
  }
};
