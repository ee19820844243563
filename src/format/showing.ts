import { type Showing, USUAL_SHOWING } from "@/contracts/showing";

/**
 * The one place that knows how this reader wants figures shown. There is one shed and one reader, so it is told once by the
 * frame around every screen, before anything in it is drawn, on the server and in the browser alike; several bundles of the
 * same process share it, which is why it does not live in a module (decision 0016).
 */
const KEY = Symbol.for("elm-bench.showing");
const shared = globalThis as { [KEY]?: Showing };

export const showAs = (showing: Showing): void => {
  shared[KEY] = showing;
};
/** Says something in units of storage whatever the reader chose: what goes out to programs. @param say must not wait for anything */
export function asStored<T>(say: () => T): T {
  const was = shared[KEY];
  shared[KEY] = USUAL_SHOWING;
  try {
    return say();
  } finally {
    if (was === undefined) delete shared[KEY];
    else shared[KEY] = was;
  }
}
export const showing = (): Showing => shared[KEY] ?? USUAL_SHOWING;
