import { done, failed, type Outcome } from "@/contracts";

/** Posts what a device that is not there has measured to its documented endpoint, over HTTP, as a real one would. */
export async function postAsDevice(origin: string, path: string, body: unknown): Promise<Outcome<null>> {
  try {
    const answer = await fetch(`${origin}${path}`, {
      method: "POST",
      headers: { "content-type": "application/json" },
      body: JSON.stringify(body),
    });
    if (answer.ok) return done(null);
    const { detail } = (await answer.json()) as { detail?: string };
    return failed("refused", detail ?? `The endpoint answered ${answer.status}.`);
  } catch (error) {
    return failed("refused", `The stand-in cannot reach the application: ${(error as Error).message}.`);
  }
}
