import { TABLE } from "../../tests/support/table";
import { checkStack } from "./asks/api";

/** A table of stacks through the door the outside uses. */

const PROTECTED = ["extraction", "a2p3"] as const;

describe("a tradesman's verdicts", () => {
  it("are many, and touch every material", () => {
    expect(TABLE.length).toBeGreaterThanOrEqual(120);
    expect(new Set(TABLE.map((r) => r.why)).size).toBe(TABLE.length);
    expect(new Set(TABLE.map((r) => r.region.material)).size).toBe(23);
  });
  it.each(TABLE.map((r) => [r.why, r] as const))("%s", (_why, r) => {
    const answer = checkStack({ region: r.region, layers: r.layers, protection: PROTECTED, ...r.more });
    if (!answer.ok) throw new Error(JSON.stringify(answer.problem));
    const { worst, verdicts } = answer.value;
    const told = verdicts.filter((v) => v.verdict !== "ok").map((v) => `${v.rule}=${v.verdict}`);
    const worstRules = r.rule === null ? told : verdicts.filter((v) => v.verdict === worst).map((v) => v.rule);
    expect({ worst, told: r.rule === null ? told : worstRules.includes(r.rule) ? r.rule : told }).toEqual({
      worst: r.worst,
      told: r.rule ?? [],
    });
  });
});
