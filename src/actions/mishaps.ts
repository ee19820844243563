"use server";

import { MISHAP_NAME, RECIPE_NAME, reasonText } from "@/messages";
import * as server from "@/server";
import { fromCaller } from "./caller";

const OTHER = {
  amended: "More told of it",
  answered: "A question answered",
  settled: "Report closed",
  withdrawn: "It was nothing",
  struck: "Lesson struck out",
  closed: "Marks seen to",
} as const;
const WORDS: server.MishapWords = {
  sign: (sign) => MISHAP_NAME[sign][0],
  recipe: (recipe) => RECIPE_NAME[recipe][0],
  marks: (n) => (n === 0 ? "Looked, nothing found" : `Looked, ${n} mark${n > 1 ? "s" : ""}`),
  reason: (code) => reasonText(code, []),
  other: (kind) => OTHER[kind],
};

export const reportAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.reportMishap(regionId, input, WORDS));
export const explainAction = async (regionId: string, reportId: string) =>
  fromCaller(() => server.explainReport(regionId, reportId));
export const amendAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.amendMishap(regionId, input, WORDS));
export const answerAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.answerMishap(regionId, input, WORDS));
export const mendAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.mendMishap(regionId, input, WORDS));
export const settleAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.settleMishap(regionId, input, WORDS));
export const withdrawAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.withdrawMishap(regionId, input, WORDS));
export const strikeAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.strikeLesson(regionId, input, WORDS));
export const lookAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.lookAt(regionId, input, WORDS));
export const closeMarksAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.closeMarks(regionId, input, WORDS));
export const wentOnAction = async (regionId: string, opId: string, productId: string, part: string) =>
  fromCaller(() =>
    server.tellWentOn(regionId, opId, productId, (product) => `${part}: ${product}, not what was planned`),
  );
