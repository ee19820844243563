"use server";

import * as server from "@/server";

export const askForPlanAction = async (modelId: string) => server.askForPlanOf(modelId);
export const takePlanAction = async (modelId: string, starts: unknown, chosen = false) =>
  server.takePlan(modelId, starts, chosen);
export const planInputAction = async () => server.getPlanInput();
export const savePlanningAction = async (modelId: string, rev: number, planning: unknown) =>
  server.savePlanning(modelId, rev, planning);
