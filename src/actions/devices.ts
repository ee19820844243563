"use server";

import * as server from "@/server";

export const renameDeviceAction = async (input: unknown) => server.renameDevice(input);
export const removeDeviceAction = async (id: string) => server.removeDevice(id);
export const pairLinkAction = async () => server.newPairLink();
