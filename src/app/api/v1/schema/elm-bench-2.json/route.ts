import { jsonResponse } from "../../../http";
import { documentJsonSchema } from "../../../openapi";

export const GET = (): Response => jsonResponse(documentJsonSchema());
