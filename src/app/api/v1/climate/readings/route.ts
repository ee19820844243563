import * as server from "@/server";
import { answer } from "../../../http";
import { airNowJson } from "../json";

/** What a thermo-hygrometer posts to; the stand-in posts to it too. */
export const POST = (request: Request): Promise<Response> =>
  answer(request, server.takeReadings, ({ taken, replaced, now }) => ({ taken, replaced, now: airNowJson(now) }));
