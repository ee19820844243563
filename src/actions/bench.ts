"use server";

import { logTitle, reasonText, toldTitle } from "@/messages";
import * as server from "@/server";

export const afterLookAction = async (regionId: string, opId: string, found: server.RoundsFound) =>
  server.afterLook(regionId, opId, found);
export const startAction = async (regionId: string, input: unknown) =>
  server.startOp(regionId, input, logTitle, (code) => reasonText(code, []));
export const finishAction = async (regionId: string, input: unknown) => server.finishOp(regionId, input, logTitle);
export const readyAction = async (regionId: string, input: unknown) => server.sawReady(regionId, input, logTitle);
export const heedAction = async (input: unknown) =>
  server.heedLook(input, (yes, seen) => `${seen}: ${yes ? "look taken in again" : "look struck out"}`);
export const notYetAction = async (regionId: string, input: unknown) => server.notYet(regionId, input, logTitle);
export const tellAction = async (regionId: string, input: unknown) =>
  server.tell(regionId, input, toldTitle, (code) => reasonText(code, []));
export const weighWorkAction = async (regionId: string, input: unknown) => server.weighWork(regionId, input);
export const takeBackAction = async (regionId: string, opId: string) => server.takeBack(regionId, opId);
export const whyWaitAction = async (regionId: string, opId: string) => server.whyThisWait(regionId, opId);
