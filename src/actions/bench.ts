"use server";

import { logTitle, reasonText, toldTitle } from "@/messages";
import * as server from "@/server";
import { fromCaller } from "./caller";

export const afterLookAction = async (regionId: string, opId: string, found: server.RoundsFound) =>
  fromCaller(() => server.afterLook(regionId, opId, found));
export const startAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.startOp(regionId, input, logTitle, (code) => reasonText(code, [])));
export const finishAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.finishOp(regionId, input, logTitle));
export const readyAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.sawReady(regionId, input, logTitle));
export const heedAction = async (input: unknown) =>
  fromCaller(() =>
    server.heedLook(input, (yes, seen) => `${seen}: ${yes ? "look taken in again" : "look struck out"}`),
  );
export const notYetAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.notYet(regionId, input, logTitle));
export const tellAction = async (regionId: string, input: unknown) =>
  fromCaller(() => server.tell(regionId, input, toldTitle, (code) => reasonText(code, [])));
export const weighWorkAction = async (regionId: string, input: unknown) => server.weighWork(regionId, input);
export const takeBackAction = async (regionId: string, opId: string) =>
  fromCaller(() => server.takeBack(regionId, opId));
export const whyWaitAction = async (regionId: string, opId: string) => server.whyThisWait(regionId, opId);
export const lighterAction = async () => server.getLighter();
