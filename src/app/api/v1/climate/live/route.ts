import * as server from "@/server";
import { airNowJson } from "../json";
import { openLine } from "./lines";

export const dynamic = "force-dynamic";

const LOOK_EVERY_MS = 2000;
/** Something is said at least this often, so that a dead line is noticed. */
const BEAT_EVERY_MS = 25_000;

/**
 * What changes by itself, as server-sent events: one `air` event at once and one whenever a reading changes it; a `plan` event when a
 * plan is begun, is there, or could not be made.
 */
export function GET(request: Request): Response {
  const encoder = new TextEncoder();
  let end = () => {};
  const stream = new ReadableStream<Uint8Array>({
    start(controller) {
      let told = "";
      let toldMs = 0;
      const look = () => {
        const now = server.getAirNow();
        if (!now.ok) return;
        const data = JSON.stringify(airNowJson(now.value));
        const due = Date.now() - toldMs >= BEAT_EVERY_MS;
        if (data === told && !due) return;
        controller.enqueue(encoder.encode(data === told ? ": still here\n\n" : `event: air\ndata: ${data}\n\n`));
        told = data;
        toldMs = Date.now();
      };
      const timer = setInterval(look, LOOK_EVERY_MS);
      const deaf = server.onNews(({ state }) => {
        const data = JSON.stringify({ state });
        controller.enqueue(encoder.encode(`event: plan\ndata: ${data}\n\n`));
      });
      const closed = openLine(() => {
        end();
        controller.close();
      });
      end = () => {
        clearInterval(timer);
        deaf();
        closed();
        end = () => {};
      };
      request.signal.addEventListener("abort", () => end());
      controller.enqueue(encoder.encode("retry: 3000\n\n"));
      look();
    },
    cancel: () => end(),
  });
  return new Response(stream, {
    headers: { "content-type": "text/event-stream; charset=utf-8", "cache-control": "no-store" },
  });
}
