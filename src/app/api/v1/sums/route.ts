import { SUM_TEXT } from "@/messages";
import { listSums } from "@/server";
import { jsonResponse } from "../../http";
import { sumInputJson } from "./json";

/** Every sum there is, with what it asks, its ranges, its formula and where that comes from. */
export const GET = (): Response =>
  jsonResponse({
    sums: listSums().map(({ id, formula, source, inputs }) => ({
      id,
      title: SUM_TEXT[id].title,
      formula,
      source,
      inputs: Object.entries(inputs).map(([name, input]) => sumInputJson(name, input)),
    })),
  });
