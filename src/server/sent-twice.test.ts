import { logTitle } from "@/messages";
import { DONE, hatch } from "../../tests/support/hatch";
import { freshStore, must, refusal } from "../../tests/support/store";
import * as server from ".";

/** What a phone sends whose answer is lost on the way is sent again, and is done once. */
freshStore();

const name = (n: number) => `deed${String(n).padStart(12, "0")}`;
const log = (b: ReturnType<typeof hatch>) => must(server.getLog(b.model)).map((e) => e.kind);

it("a queue replayed from its beginning: every deed is there once, each answered as it was", () => {
  const b = hatch("grey-primer");
  const at = { opId: "p:coat:1", reason: "for the test" };
  const queue = [
    () => server.startOp(b.regionId, { ...at, sentId: name(1) }, logTitle, String),
    () => server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", sentId: name(2) }, logTitle),
  ];
  const first = queue.map((send) => must<{ id: string }>(send()).id);
  expect(first).toEqual([`l-${name(1)}`, `l-${name(2)}`]);
  const next = must(server.getBench(b.model)).tiles[0]!.op!.id;
  const after = [
    () => server.notYet(b.regionId, { opId: next, sign: "tacky", note: "", sentId: name(3) }, logTitle),
    () => server.sawReady(b.regionId, { opId: next, sentId: name(4) }, logTitle),
  ];
  first.push(...after.map((send) => must<{ id: string }>(send()).id));
  const before = log(b);
  expect(before).toEqual(["started", "done", "not-yet", "ready"]);
  const left = must(server.getShelf()).map((i) => i.product.leftMl);
  for (let n = 0; n < 3; n++)
    expect([...queue, ...after].map((send) => must<{ id: string }>(send()).id)).toEqual(first);
  expect(log(b)).toEqual(before);
  // nor does the can give its paint twice
  expect(must(server.getShelf()).map((i) => i.product.leftMl)).toEqual(left);
});

it("a name that was used for something else is refused by its field; one of another shape too", () => {
  const b = hatch("grey-primer");
  must(server.startOp(b.regionId, { opId: "p:coat:1", reason: "so", sentId: name(1) }, logTitle, String));
  expect(refusal(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", sentId: name(1) }, logTitle))).toBe(
    "conflict sentId",
  );
  expect(refusal(server.finishOp(b.regionId, { ...DONE, opId: "p:coat:1", sentId: "l-1" }, logTitle))).toBe(
    "invalid sentId",
  );
});

it("a document with such entries goes out and comes in again", () => {
  const b = hatch("grey-primer");
  must(server.startOp(b.regionId, { opId: "p:coat:1", reason: "so", sentId: name(1) }, logTitle, String));
  const text = must(server.exportDocument(b.model));
  must(server.importText(text, { onExisting: "replace", takeShop: false }));
  expect(must(server.exportDocument(b.model))).toBe(text);
});
