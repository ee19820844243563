import { freshId } from "./fresh-id";

it("ids are letters and figures of one length, and never the same, also where a browser keeps randomUUID back", () => {
  const ids = Array.from({ length: 2000 }, freshId);
  expect(new Set(ids).size).toBe(ids.length);
  for (const id of ids) expect(id).toMatch(/^[0-9a-z]{16}$/);
});
