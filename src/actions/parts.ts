"use server";

import type { NodeKind } from "@/contracts";
import * as server from "@/server";

export const addModelAction = async (input: unknown) => server.addModel(input);
export const addPartAction = async (modelId: string, input: unknown) => server.addPart(modelId, input);
export const addRegionAction = async (partId: string, input: unknown) => server.addRegion(partId, input);
export const editNodeAction = async (kind: NodeKind, id: string, rev: number, edit: unknown) =>
  server.editNode(kind, id, rev, edit);
export const copyPartAction = async (partId: string, toModelId: string) => server.copyPart(partId, toModelId);
export const movePartAction = async (partId: string, toModelId: string) => server.movePart(partId, toModelId);
export const deleteNodeAction = async (kind: NodeKind, id: string) => server.deleteNode(kind, id);
export const restoreNodeAction = async (kind: NodeKind, id: string) => server.restoreNode(kind, id);
export const chooseModelAction = async (id: string) => server.chooseModel(id);
export const importAction = async (text: string, options: server.ImportOptions) => server.bringIn(text, options);
export const loadDemoAction = async (takeShop: boolean) => server.loadDemo(takeShop);
