"use server";

import { headers } from "next/headers";
import * as server from "@/server";

export const saveShopAction = async (rev: number, edit: unknown) => server.saveShop(rev, edit);
export const readStandInLampAction = async (cm: number) => {
  const host = (await headers()).get("host") ?? "127.0.0.1";
  return server.readStandInLamp(`http://${host}`, cm);
};
