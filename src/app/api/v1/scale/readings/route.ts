import * as server from "@/server";
import { answer } from "../../../http";
import { scaleJson } from "../json";

/** What a scale posts to; the stand-in posts to it too. */
export const POST = (request: Request): Promise<Response> => answer(request, server.takeScaleReading, scaleJson);
