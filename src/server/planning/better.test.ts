import type { PlanAnswer } from "@/core/plan";
import { better } from "./better";

/** Which of two plans stands: by its aim, nights without need weighed in, then by its end. */

type Planned = Extract<PlanAnswer, { outcome: "planned" }>;
const plan = (over: Partial<Planned>): PlanAnswer =>
  ({ outcome: "planned", objective: "finish", doneMin: 1000, sessions: 5, cleanings: 5, ops: [], ...over }) as Planned;
const night = (as: "coats" | "tape", nights = 1) => ({ regionId: "r", as, fromId: "a", toId: "b", nights });

it.each<[string, Partial<Planned>, Partial<Planned>, boolean]>([
  ["the sooner end", { doneMin: 990 }, {}, true],
  [
    "ten minutes later with a layer no longer left half done over night",
    { doneMin: 1010, overNight: [] },
    { overNight: [night("coats")] },
    true,
  ],
  ["twenty minutes later for the same", { doneMin: 1020, overNight: [] }, { overNight: [night("coats")] }, false],
  [
    "an evening later with no night at all",
    { doneMin: 2440, overNight: [] },
    { overNight: [night("coats", 3), night("tape", 9)] },
    false,
  ],
  [
    "fewer sessions, where they are the aim",
    { objective: "sessions", sessions: 4, doneMin: 1900 },
    { objective: "sessions" },
    true,
  ],
  [
    "a plan of an older program is weighed by its end",
    { doneMin: 999, overNight: undefined },
    { overNight: undefined },
    true,
  ],
])("%s", (_, a, b, is) => expect(better(plan(a), plan(b))).toBe(is));

it("what is no plan is never better, and anything is better than it", () => {
  const none: PlanAnswer = { outcome: "nothing-to-plan", notices: [] };
  expect(better(none, plan({}))).toBe(false);
  expect(better(plan({}), none)).toBe(true);
});
