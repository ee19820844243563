/** A date that is missed: what there is to try, and what each try gives. */

import { MIN_PER_DAY, MIN_PER_HOUR } from "@/core/base";
import { layer, NOW_MIN, pile, planInput, region } from "../../../tests/support/world";
import { type DateTry, dateTries, groupDoneMin, tryForDate } from "./date-ways";
import { type PlanGroup, planTogether } from "./together";
import { NO_HABITS, NO_WISHES, type PlanAnswer, type PlanInput } from "./types";

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const face = (id: string, areaCm2: number) => ({
  region: region({ id, conditions: [], areaCm2 }),
  stack: {
    ...pile(layer("grey-primer", { id: `p-${id}`, coats: 2 }), layer("estuary-blue", { id: `c-${id}`, coats: 2 })),
    prep: ["wash" as const, "key" as const, "wipe" as const],
  },
});
const regionIds = (who: string) => [`${who}1`, `${who}2`];
const GROUPS: readonly PlanGroup[] = ["tug", "barge"].map((id) => ({ id, regionIds: regionIds(id), partIds: [] }));
const [TUG] = GROUPS as [PlanGroup, PlanGroup];
const DUE_MIN = NOW_MIN + MIN_PER_DAY;
/** Two hours every third evening: little time, and days between that could be used. */
const sessions = Array.from({ length: 20 }, (_, n) => {
  const startMin = NOW_MIN + 3 * n * MIN_PER_DAY;
  return { startMin, endMin: startMin + 2 * MIN_PER_HOUR };
});
const SPARE = { startMin: NOW_MIN + MIN_PER_DAY, endMin: NOW_MIN + MIN_PER_DAY + 4 * MIN_PER_HOUR };
const input: PlanInput = planInput(
  [...regionIds("tug"), ...regionIds("barge")].map((id, n) => face(id, 100 + 20 * n)),
  {
    sessions,
    caution: "safe",
    wishes: { ...NO_WISHES, dues: [{ dueMin: DUE_MIN, weight: 1, regionIds: new Set(regionIds("tug")) }] },
  },
);
const TRIES = { tries: 20 };
const plan = planTogether(input, GROUPS, TRIES) as Planned;
const tugDoneMin = Math.max(...plan.finish.filter((f) => TUG.regionIds.includes(f.regionId)).map((f) => f.doneMin));
const tried = (way: DateTry) => tryForDate(input, GROUPS, TUG, way, TRIES);

it("the date is missed", () => {
  expect(plan.outcome).toBe("planned");
  expect(tugDoneMin).toBeGreaterThan(DUE_MIN);
});

it("a session more, no rounds, less caution and the other model at rest are tried, each only where there is such a thing", () => {
  const kinds = (answer: Planned, groups = GROUPS, covered = true) =>
    dateTries(answer, groups, TUG, [SPARE], covered).map((t) => t.kind);
  expect(kinds(plan)).toEqual(["session", "rounds", "likely", "rest"]);
  expect(kinds(plan, GROUPS, false)).toEqual(["cover", "session", "rounds", "likely", "rest"]);
  expect(kinds({ ...plan, caution: "likely", notices: [] }, [TUG])).toEqual(["session"]);
  const round = { kind: "rounds-likely" as const, rounds: 2 };
  const notices = [
    { ...round, regionId: "tug2" },
    { ...round, regionId: "barge1" },
  ];
  const ways = dateTries({ ...plan, notices }, GROUPS, TUG, [], true);
  expect(ways).toContainEqual({ kind: "rounds", regionIds: ["tug2"] });
});

it("a session on a free day before the end brings it nearer", () => {
  const { doneMin } = tried({ kind: "session", session: SPARE });
  expect(doneMin).toBeLessThan(tugDoneMin);
});

it("under a cover wet parts are in nobody's way", () => {
  const open = { ...input, protection: [], habits: { ...NO_HABITS, covered: false } };
  const before = planTogether(open, GROUPS, TRIES);
  const own = tryForDate(open, GROUPS, TUG, { kind: "cover" }, TRIES);
  expect(own.doneMin).toBeLessThanOrEqual(groupDoneMin(before as Planned, TUG)!);
});

it("without rounds the model ends no later", () => {
  expect(tried({ kind: "rounds", regionIds: TUG.regionIds }).doneMin).toBeLessThanOrEqual(tugDoneMin);
});

it("with the other at rest the model ends no later, and the other is in no plan", () => {
  const { doneMin } = tried({ kind: "rest", groupId: "barge" });
  expect(doneMin).toBeLessThanOrEqual(tugDoneMin);
});

it("likely waits end no later than safe ones", () => {
  expect(tried({ kind: "likely" }).doneMin).toBeLessThanOrEqual(tugDoneMin);
});

it("a model that is in no plan has no end", () => {
  const none = { id: "none", regionIds: [], partIds: [] };
  expect(tryForDate(input, GROUPS, none, { kind: "likely" }, TRIES).doneMin).toBeNull();
});
