import * as server from "@/server";
import { answer } from "../../../http";
import { lampJson } from "../json";

/** What a lamp meter posts to; the stand-in posts to it too. */
export const POST = (request: Request): Promise<Response> => answer(request, server.takeLampReading, lampJson);
