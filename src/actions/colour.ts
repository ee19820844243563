"use server";

import * as server from "@/server";

export const applySchemeAction = async (regionId: string, stackRev: number) => server.applyScheme(regionId, stackRev);
