"use server";

import * as server from "@/server";

export const makeBackupAction = async () => server.makeBackup();
export const lookIntoBackupAction = async (name: string) => server.lookIntoBackup(name);
export const putBackupBackAction = async (name: string) => server.putBackupBack(name);
