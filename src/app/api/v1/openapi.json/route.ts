import { jsonResponse } from "../../http";
import { openApi } from "../../openapi";

/** Says the same as long as the program runs. */
let told: ReturnType<typeof openApi> | null = null;

export const GET = (): Response => {
  told ??= openApi();
  return jsonResponse(told);
};
