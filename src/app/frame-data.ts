import { done, type FrameView, type Outcome, type Showing } from "@/contracts";
import { showAs } from "@/format";
import { workText } from "@/messages";
import * as server from "@/server";
import type { RibbonData } from "@/ui/components/AirRibbon";
import type { Findable } from "@/ui/components/Finder";

/** What every screen shows around itself, in words. */
export function frameData(): Outcome<{
  ribbon: RibbonData;
  things: readonly Findable[];
  unreadable: FrameView["unreadable"];
  showing: Showing;
}> {
  const frame = server.getFrame();
  if (!frame.ok) return frame;
  const { next, regions, products, unreadable, showing, ...ribbon } = frame.value;
  // before anything is said here, as the frame does where it is drawn
  showAs(showing);
  return done({
    unreadable,
    showing,
    ribbon: {
      ...ribbon,
      timer: next && {
        title: `${next.partName}: ${workText(next.op, (id) => next.productNames[id])}`,
        likelyMin: next.likelyMin,
      },
    },
    things: [
      ...regions.map(({ id, name }): Findable => ({ kind: "part", id, name, also: [] })),
      ...products.map(({ id, name, aliases }): Findable => ({ kind: "product", id, name, also: aliases })),
    ],
  });
}
