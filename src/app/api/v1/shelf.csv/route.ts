import { getShelfFile, postShelfFile } from "../../shelf-file";

export const GET = (request: Request): Response => getShelfFile("csv", request);
export const POST = (request: Request): Promise<Response> => postShelfFile("csv", request);
