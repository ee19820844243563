import { freshStore, must } from "../../tests/support/store";
import * as server from ".";

/** Screens are sent as text: what JSON does not hold would be another thing on the other side. */
freshStore();

it("what every screen of the demo shows is the same after it was sent as text", async () => {
  const { modelId } = must(server.loadDemo(true));
  must(await server.makePlan(modelId));
  const judged = must(server.getJudged(modelId));
  const screens: Readonly<Record<string, unknown>> = {
    frame: must(server.getFrame()),
    bench: must(server.getBenchScreen(modelId)),
    plan: must(server.getPlanScreen(modelId)),
    shelf: [must(server.getShelf()), must(server.getUsed()), must(server.getLessons()), must(server.getTaught())],
    parts: must(server.getParts(modelId)),
    stacks: [judged, must(server.getWays()), must(await server.getStack(judged[0]!.node.region.id))],
    film: must(server.getFilmScreen(modelId)),
    air: [must(server.getAirScreen(modelId)), must(server.getShop())],
    logbook: must(server.getLogbook(modelId, {})),
    record: must(server.getRecord(modelId)),
    colour: must(server.getColourScreen(modelId, null)),
    coupons: [must(server.getCoupons(modelId)), must(server.getEveryProduct())],
    sums: must(server.getSum("quantities", { productId: null, regionId: null, typed: {} })),
    settings: [must(server.getBackups()), must(server.getDevices())],
  };
  for (const [name, shown] of Object.entries(screens))
    expect({ name, shown: JSON.parse(JSON.stringify(shown)) }).toEqual({ name, shown });
});
