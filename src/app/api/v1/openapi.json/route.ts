import { jsonResponse } from "../../http";
import { openApi } from "../../openapi";

export const GET = (): Response => jsonResponse(openApi());
