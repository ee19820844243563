"use server";

import * as server from "@/server";

export const applyTouchesAction = async (regionId: string, stackRev: number) => server.applyTouches(regionId, stackRev);

export const applySchemeAction = async (regionId: string, stackRev: number) => server.applyScheme(regionId, stackRev);
