"use server";

import * as server from "@/server";

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
export const overrideAction = async (regionId: string, key: string, reason: string | null) =>
  server.overrideVerdict(regionId, key, reason);
export const swapForAction = async (regionId: string, layerId: string | null) => server.swapFor(regionId, layerId);
export const swapAction = async (fromId: string, toId: string, regionIds: readonly string[]) =>
  server.swapProduct(fromId, toId, regionIds);
