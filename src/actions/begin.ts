"use server";

import * as server from "@/server";

export const beginAction = async (input: unknown) => server.beginWith(input);
