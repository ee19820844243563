import * as server from "@/server";
import { answer } from "../../http";

/** What looks at the bench tell of a shed's waits; nothing is kept. */
export const POST = (request: Request): Promise<Response> =>
  answer(request, server.askLearnt, ({ shed, products }) => ({
    shed,
    products: products.map(({ productId, ...of }) => ({ id: productId, ...of })),
  }));
