import { getShelfFile, postShelfFile } from "../../shelf-file";

export const GET = (request: Request): Response => getShelfFile("json", request);
export const POST = (request: Request): Promise<Response> => postShelfFile("json", request);
