"use server";

import * as server from "@/server";

export const saveShopAction = async (rev: number, edit: unknown) => server.saveShop(rev, edit);
