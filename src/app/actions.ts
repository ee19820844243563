"use server";

import { headers } from "next/headers";
import type { NodeKind } from "@/contracts";
import * as server from "@/server";
import { logTitle, reasonText } from "@/ui/messages";

/** The screens' way to the use cases. Each returns an outcome: a value, or a problem with its fields named. */

export const addModelAction = async (input: unknown) => server.addModel(input);
export const addPartAction = async (modelId: string, input: unknown) => server.addPart(modelId, input);
export const addRegionAction = async (partId: string, input: unknown) => server.addRegion(partId, input);
export const editNodeAction = async (kind: NodeKind, id: string, rev: number, edit: unknown) =>
  server.editNode(kind, id, rev, edit);
export const deleteNodeAction = async (kind: NodeKind, id: string) => server.deleteNode(kind, id);
export const restoreNodeAction = async (kind: NodeKind, id: string) => server.restoreNode(kind, id);
export const chooseModelAction = async (id: string) => server.chooseModel(id);

export const addProductAction = async (input: unknown) => server.addProduct(input);
export const saveProductAction = async (rev: number, input: unknown) => server.saveProduct(rev, input);
export const deleteProductAction = async (id: string) => server.deleteProduct(id);
export const restoreProductAction = async (id: string) => server.restoreProduct(id);

export const previewShelfAction = async (text: string, kind: server.FileKind) => server.previewShelf(text, kind);
export const importShelfAction = async (text: string, kind: server.FileKind, existing: server.OnExisting) =>
  server.importShelf(text, kind, existing);

export const saveStackAction = async (regionId: string, stackRev: number, stack: unknown) =>
  server.saveStack(regionId, stackRev, stack);
export const copyStackAction = async (fromId: string | null, targets: readonly server.StackTarget[]) =>
  server.copyStack(fromId, targets);
export const carryOutAction = async (regionId: string, stackRev: number, key: string, n: number) =>
  server.carryOut(regionId, stackRev, key, n);
export const findStacksAction = async (regionId: string, request: unknown) => server.findStacks(regionId, request);
export const whyNotAction = async (regionId: string, request: unknown, productId: string) =>
  server.whyNotProduct(regionId, request, productId);
export const saveWayAction = async (way: unknown) => server.saveWay(way);
export const deleteWayAction = async (id: string) => server.deleteWay(id);
export const chooseWayAction = async (id: string) => server.chooseWay(id);

export const planCouponAction = async (regionId: string, upTo: number) => server.planCoupon(regionId, upTo);
export const planTrialsAction = async (trials: unknown) => server.planTrials(trials);
export const couponMadeAction = async (id: string, rev: number) => server.couponMade(id, rev);
export const couponTestedAction = async (id: string, rev: number, result: unknown) =>
  server.couponTested(id, rev, result);
export const deleteCouponAction = async (id: string) => server.deleteCoupon(id);
export const restoreCouponAction = async (id: string) => server.restoreCoupon(id);

export const overrideAction = async (regionId: string, key: string, reason: string | null) =>
  server.overrideVerdict(regionId, key, reason);

export const makePlanAction = async (modelId: string) => server.makePlan(modelId);
export const takePlanAction = async (modelId: string, starts: unknown) => server.takePlan(modelId, starts);
export const planInputAction = async (modelId: string) => server.getPlanInput(modelId);
export const afterLookAction = async (regionId: string, opId: string, found: server.RoundsFound) =>
  server.afterLook(regionId, opId, found);
export const savePlanningAction = async (modelId: string, rev: number, planning: unknown) =>
  server.savePlanning(modelId, rev, planning);
export const startAction = async (regionId: string, opId: string, reason: string | null = null) =>
  server.startOp(regionId, { opId, reason }, logTitle, (code) => reasonText(code, []));
export const finishAction = async (regionId: string, input: unknown) => server.finishOp(regionId, input, logTitle);
export const notYetAction = async (regionId: string, input: unknown) => server.notYet(regionId, input, logTitle);
export const takeBackAction = async (regionId: string, opId: string) => server.takeBack(regionId, opId);

export const saveShopAction = async (rev: number, edit: unknown) => server.saveShop(rev, edit);
export const importAction = async (text: string, options: server.ImportOptions) => server.importText(text, options);
export const loadDemoAction = async (takeShop: boolean) => server.loadDemo(takeShop);

export const addReadingAction = async (input: unknown) => server.addReading(input);
export const removeReadingAction = async (atMs: number, source: string) => server.removeReading(atMs, source);
export const putReadingBackAction = async (reading: unknown) => server.putReadingBack(reading);
export const previewForecastAction = async (text: string, kind: server.ForecastKind) =>
  server.previewForecast(text, kind);
export const importForecastAction = async (text: string, kind: server.ForecastKind) =>
  server.importForecast(text, kind);
export const dropForecastAction = async () => server.dropForecast();
export const standInForecastAction = async (weather: unknown) => server.takeStandInForecast(weather);
export const addLocalAirAction = async (modelId: string, partId: string, input: unknown) =>
  server.addLocalAir(modelId, partId, input);
export const removeLocalAirAction = async (id: string) => server.removeLocalAir(id);
export const putLocalAirBackAction = async (partId: string, card: unknown) => server.putLocalAirBack(partId, card);
export const switchStandInAction = async (wanted: unknown) => {
  const host = (await headers()).get("host") ?? "127.0.0.1";
  return server.turnStandIn(`http://${host}`, wanted);
};
export const whyWaitAction = async (regionId: string, opId: string) => server.whyThisWait(regionId, opId);
