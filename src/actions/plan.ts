"use server";

import * as server from "@/server";

export const askForPlanAction = async (modelId: string) => server.askForPlanOf(modelId);
export const takePlanAction = async (modelId: string, starts: unknown) => server.takePlan(modelId, starts);
export const planInputAction = async (modelId: string) => server.getPlanInput(modelId);
export const savePlanningAction = async (modelId: string, rev: number, planning: unknown) =>
  server.savePlanning(modelId, rev, planning);
