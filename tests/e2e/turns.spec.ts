import { expect, test } from "@playwright/test";
import { turns } from "../../scripts/lib/turns.mjs";

/** A line of people, told apart by number; each is served until `end` is called for it. */
function people(most: number, longMs: number, longest: number) {
  const inTurn = turns(most, longMs, longest);
  const served: number[] = [];
  const left = new Set<number>();
  const done = new Map<number, () => void>();
  return {
    served,
    left,
    come: (nth: number) =>
      inTurn(
        (ends) => {
          served.push(nth);
          done.set(nth, ends);
        },
        () => left.has(nth),
      ),
    end: (nth: number) => done.get(nth)!(),
  };
}

test("so many are served at a time, the others in the order they came", () => {
  const p = people(2, 60_000, 10);
  for (const nth of [1, 2, 3, 4, 5]) expect(p.come(nth)).toBe(true);
  expect(p.served).toEqual([1, 2]);
  p.end(2);
  expect(p.served).toEqual([1, 2, 3]);
  p.end(1);
  p.end(3);
  expect(p.served).toEqual([1, 2, 3, 4, 5]);
  p.end(4);
  p.end(5);
});

test("who has left while waiting is passed over, and being done twice lets nobody in twice", () => {
  const p = people(1, 60_000, 10);
  for (const nth of [1, 2, 3, 4]) p.come(nth);
  p.left.add(2);
  p.end(1);
  p.end(1);
  expect(p.served).toEqual([1, 3]);
  p.end(3);
  expect(p.served).toEqual([1, 3, 4]);
  p.end(4);
});

test("who waits for something else lets the next one in", async () => {
  const p = people(1, 20, 10);
  p.come(1);
  p.come(2);
  await expect.poll(() => p.served).toEqual([1, 2]);
  p.end(1);
  p.come(3);
  await expect.poll(() => p.served).toEqual([1, 2, 3]);
  p.end(3);
});

test("a line that is full takes nobody, and takes them again when it is shorter", () => {
  const p = people(1, 60_000, 2);
  expect([1, 2, 3, 4].map(p.come)).toEqual([true, true, true, false]);
  p.end(1);
  expect(p.come(5)).toBe(true);
  expect(p.come(6)).toBe(false);
  for (const nth of [2, 3, 5]) p.end(nth);
  expect(p.served).toEqual([1, 2, 3, 5]);
});
