"use server";

import { headers } from "next/headers";
import * as server from "@/server";

export const sumAction = async (
  id: string,
  told: { productId: string | null; regionId: string | null; typed: Record<string, unknown> },
) => server.getSum(id, told);
export const takeIntoLayerAction = async (regionId: string, stackRev: number, layerId: string, told: unknown) =>
  server.takeIntoLayer(regionId, stackRev, layerId, told);
export const makeMixAction = async (input: unknown) => server.makeMix(input);
export const readStandInScaleAction = async (expectedG: number) => {
  const host = (await headers()).get("host") ?? "127.0.0.1";
  return server.readStandInScale(`http://${host}`, expectedG);
};
