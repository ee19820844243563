import { renderToStaticMarkup } from "react-dom/server";
import type { Backdrop } from "@/contracts";
import { airAt } from "@/core/film";
import { VERDICTS } from "@/core/model";
import { type PlannedOp, planModel } from "@/core/plan";
import { conflictText, noticeText, workText } from "@/messages";
import { climate, layer, NOW_MIN, planInput, region } from "../../tests/support/world";
import { Ring } from "./bench/Ring";
import { Saved } from "./components/Saved";
import { VerdictMark } from "./components/VerdictMark";
import { NowProvider } from "./hooks/useNow";
import { SmallMap } from "./plan/SmallMap";
import { MiniSection } from "./section/MiniSection";
import { Section, seamHeights } from "./section/Section";
import { AirTrack } from "./timeline/AirTrack";
import { axisOf, BENCH_WIDE } from "./timeline/axis";
import { Lane } from "./timeline/Lane";
import { textureIds } from "./timeline/Textures";

const film = (name: string, addedUm: number, takenUm = 0, putty = false) => ({
  name,
  colour: "#808080",
  addedUm,
  takenUm,
  putty,
  n: 1,
  seam: 0,
  sheen: "satin" as const,
  verdict: "ok" as const,
});
const noNonsense = (markup: string) => expect(markup).not.toMatch(/NaN|Infinity|undefined/);

describe("the section as drawn", () => {
  const draw = (over: Partial<Parameters<typeof Section>[0]>) =>
    renderToStaticMarkup(
      <Section
        films={[film("Primer", 40, 12), film("Colour", 20)]}
        group="plastic"
        materialName="PETG print"
        ridgeUm={null}
        detailUm={null}
        {...over}
      />,
    );
  it("says aloud what it shows", () =>
    expect(draw({})).toContain('aria-label="Section through 2 layers on PETG print, 48 µm in all"'));
  it("shows what sanding took, the ridges and what a groove keeps", () => {
    const markup = draw({ ridgeUm: 28, detailUm: 400 });
    expect(markup).toContain("12 µm sanded off");
    expect(markup).toContain("Print ridges");
    expect(markup).toContain("keeps 342 µm");
    noNonsense(markup);
  });
  it("a groove narrower than the film keeps nothing, not less than nothing", () =>
    expect(draw({ detailUm: 20 })).toContain("keeps 0 µm"));
  it("stays sound when empty, under a deep putty, and with a film of nothing", () => {
    noNonsense(draw({ films: [] }));
    noNonsense(draw({ films: [film("Putty", 2000, 300, true), film("Primer", 12)], detailUm: 300 }));
    noNonsense(draw({ films: [film("Mist", 0)], ridgeUm: 10 }));
  });
  it("seams run down the drawing as the pile does", () => {
    const [first, second] = seamHeights([film("a", 30), film("b", 30)]);
    expect(second!).toBeLessThan(first!);
  });
});

it("the miniature fills what is on, and outlines what is to come", () => {
  const markup = renderToStaticMarkup(
    <MiniSection
      films={[
        { layerId: "a", colour: "#111111", um: 30 },
        { layerId: "b", colour: "#222222", um: 30 },
        { layerId: "c", colour: "#333333", um: 30 },
      ]}
      laid={1}
      begun
    />,
  );
  expect(markup.match(/fill-opacity="[^"]*"/g)).toEqual([
    'fill-opacity="1"',
    'fill-opacity="0.45"',
    'fill-opacity="0"',
  ]);
});

it("every verdict has a shape of its own and a name", () => {
  const marks = VERDICTS.map((v) => renderToStaticMarkup(<VerdictMark verdict={v} />));
  expect(new Set(marks.map((m) => /<path d="([^"]*)"/.exec(m)![1])).size).toBe(4);
  for (const [i, name] of ["OK", "Care", "Test first", "Stop"].entries()) expect(marks[i]).toContain(name);
});

it("the ring is empty at the start, full at safe, and never past it", () => {
  const share = (nowMin: number) => {
    const markup = renderToStaticMarkup(
      <Ring
        wait={{
          milestone: "sandable",
          fromOpId: "x",
          fromMin: 0,
          likelyMin: 60,
          safeMin: 100,
          shutsMin: null,
          forbidden: null,
          assumed: false,
        }}
        nowMin={nowMin}
      />,
    );
    const [, filled, round] = /stroke-dasharray="([\d.]+) ([\d.]+)"/.exec(markup)!;
    return Number(filled) / Number(round);
  };
  expect([share(-5), share(50), share(100), share(900)].map((x) => Math.round(x * 100))).toEqual([0, 50, 100, 100]);
});

describe("the timeline as drawn", () => {
  const part = {
    region: region({ id: "hull", conditions: ["dusty"], areaCm2: 300 }),
    stack: {
      prep: ["wash", "key", "dust-off"] as const,
      layers: [
        layer("build-primer", { coats: 2, heaviness: "wet", sandAfter: { grit: 400, wet: true, takesUm: 9 } }),
        layer("estuary-blue", { coats: 2 }),
      ],
    },
  };
  const plan = planModel(planInput([part]));
  if (plan.outcome !== "planned") throw new Error(plan.outcome);
  const air = Array.from({ length: 200 }, (_, i) => {
    const a = airAt(climate({ kind: "day", meanC: 6, swingC: 5, rhPct: 85 }), NOW_MIN + i * 30);
    return { atMin: a.atMin, tempC: a.tempC, rhPct: a.rhPct, dewMarginC: a.rhPct > 84 ? 2 : 6 };
  });
  const back: Backdrop = {
    fromMin: NOW_MIN,
    toMin: NOW_MIN + 6000,
    sessions: [{ startMin: NOW_MIN, endMin: NOW_MIN + 150 }],
    nights: [],
    midnights: [],
    air,
  };
  const axis = axisOf(back.sessions, back.fromMin, back.toMin, BENCH_WIDE);
  const markup = renderToStaticMarkup(
    <svg>
      <title>t</title>
      <Lane
        lane={{ regionId: "hull", name: "Hull", ops: plan.ops, curedMin: plan.curedMin }}
        axis={axis}
        ids={textureIds("t")}
        spine={new Set(plan.spine)}
        chosen={null}
        choose={() => undefined}
        titleOf={(o) => workText(o, () => "Paint")}
        timeZone="UTC"
        sight={{ fromPx: 0, toPx: axis.widthPx }}
        grab={() => undefined}
      />
    </svg>,
  );
  it("every piece of work can be reached and says what and when", () => {
    expect(markup.match(/role="button"/g)).toHaveLength(plan.ops.length);
    expect(markup).toContain("Hull: Wet-sand P400");
    expect(markup).toContain("Hull: Key all over, P180–P320");
    noNonsense(markup);
  });
  it("waits say what they wait for", () => expect(markup).toContain("waits for sandable"));
  it("hours too near the dew point are marked along the air", () => {
    const track = renderToStaticMarkup(
      <svg>
        <title>t</title>
        <AirTrack axis={axis} back={back} height={70} />
      </svg>,
    );
    expect(track.match(/<rect/g)!.length).toBe(air.filter((a) => a.dewMarginC < 3).length);
    noNonsense(track);
  });
});

describe("words for what is in the way", () => {
  const op = planModel(
    planInput([
      { region: region({ id: "x", areaCm2: 30_000 }), stack: { prep: ["key"], layers: [layer("water-primer")] } },
    ]),
  );
  it("name the work, what stands against it, and what would free it", () => {
    if (op.outcome !== "conflict") throw new Error(op.outcome);
    const text = conflictText(op, "Hull: Key all over", null);
    expect(text.title).toContain("Hull: Key all over");
    expect(text.way).toMatch(/needs \d+ minutes.*longest session has 150/);
    expect(text.way).toContain("Lengthen a session");
  });
  it("every kind of conflict and of notice has its own", () => {
    if (op.outcome !== "conflict") throw new Error(op.outcome);
    const kinds = ["no-session-left", "gate-shut", "wait-beyond-horizon", "window"] as const;
    const titles = kinds.map(
      (kind) => conflictText({ ...op, conflict: { kind, opId: "x", linkId: "y" } }, "this", "that").title,
    );
    expect(new Set(titles).size).toBe(kinds.length);
    expect(noticeText({ kind: "left-out", regionId: "x", missing: ["region.material"] })).toContain("the material");
    expect(noticeText({ kind: "area-assumed", regionId: "x" })).toContain("100 cm²");
  });
});

describe("saved at", () => {
  const said = (timeZone: string, atMs: number | null) =>
    renderToStaticMarkup(
      <NowProvider serverNowMs={0} timeZone={timeZone}>
        <Saved atMs={atMs} until="every field saves itself" />
      </NowProvider>,
    );
  const noonMs = Date.UTC(2026, 0, 15, 12);
  it.each([
    ["Europe/London", "saved 12:00"],
    ["Asia/Kolkata", "saved 17:30"],
  ])("is told by the shed’s clock: %s", (zone, want) => expect(said(zone, noonMs)).toContain(want));
  it("before that it says how saving goes", () => expect(said("UTC", null)).toContain("every field saves itself"));
});

describe("the small map of a scheme on the card", () => {
  const fields = [
    { name: "top", share: 0.6 },
    { name: "stripe", share: 0.1 },
    { name: "bottom", share: 0.3 },
  ];
  const op = (id: string, kind: "mask" | "unmask" | "coat", startMin: number, places: readonly string[]) =>
    ({ id, kind, startMin, places, regionId: "r" }) as unknown as PlannedOp;
  const ops = [
    op("m1", "mask", 10, ["top"]),
    op("c1", "coat", 20, ["bottom"]),
    op("m2", "mask", 30, ["bottom"]),
    op("c2", "coat", 40, ["stripe"]),
    op("u1", "unmask", 50, ["top"]),
  ];
  const rows: readonly (readonly [number, string])[] = [
    [0, "top covered, stripe, bottom"],
    [1, "top covered, stripe, bottom now"],
    [2, "top covered, stripe, bottom covered"],
    [3, "top covered, stripe now, bottom covered"],
    [4, "top now, stripe, bottom covered"],
  ];
  it.each(rows)("step %i: %s", (n, said) => {
    const markup = renderToStaticMarkup(<SmallMap fields={fields} op={ops[n]!} ops={ops} />);
    expect(markup).toContain(`aria-label="${said}"`);
    noNonsense(markup);
  });
  it("work on no field of it has none", () => {
    expect(renderToStaticMarkup(<SmallMap fields={fields} op={op("x", "coat", 60, [])} ops={ops} />)).toBe("");
  });
});
