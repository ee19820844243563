/** @jest-environment jsdom */
import { act, fireEvent, render, screen } from "@testing-library/react";
import { createRef, useState } from "react";
import type { NamedFilm, RegionNode } from "@/contracts";
import { USUAL_SHOWING } from "@/contracts";
import { showAs } from "@/format";
import { region } from "../../tests/support/world";
import { TellDialog } from "./bench/TellDialog";
import { Apart } from "./components/Apart";
import { ClockInput } from "./components/ClockInput";
import { DateInput } from "./components/DateInput";
import { RegionCard } from "./parts/RegionCard";
import { LiesOtherwise } from "./stacks/LiesOtherwise";

/** Forms as they are filled in: what goes to the server, and what is said when it is refused. */

const mockRouter = { refresh: jest.fn() };
jest.mock("next/navigation", () => ({ useRouter: () => mockRouter, useSearchParams: () => new URLSearchParams() }));
const mockTell = jest.fn();
const mockWeigh = jest.fn();
jest.mock("@/actions/bench", () => ({
  tellAction: (...a: unknown[]) => mockTell(...a),
  weighWorkAction: (...a: unknown[]) => mockWeigh(...a),
}));
const mockEdit = jest.fn();
jest.mock("@/actions/parts", () => ({ editNodeAction: (...a: unknown[]) => mockEdit(...a) }));

beforeEach(() => {
  jest.clearAllMocks();
  mockTell.mockResolvedValue({ ok: true, value: {} });
  mockWeigh.mockResolvedValue({ ok: true, value: { verdicts: [], ways: ["by-hand"] } });
  mockEdit.mockImplementation(async (_k: string, _id: string, rev: number) => ({ ok: true, value: { rev: rev + 1 } }));
  // jsdom draws no dialogs
  HTMLDialogElement.prototype.close = jest.fn();
});

const film = (layerId: string, name: string): NamedFilm => ({ layerId, name, colour: "#888888", um: 20, lies: true });
const told = () => mockTell.mock.calls.at(-1)![1];
const send = () => act(async () => void fireEvent.submit(document.querySelector("form")!));
const choose = (name: string) => fireEvent.click(screen.getByRole("radio", { name, hidden: true }));
const fill = (label: RegExp | string, value: string) =>
  fireEvent.change(screen.getByLabelText(label), { target: { value } });

describe("something else, told at the bench", () => {
  const open = (laid: readonly NamedFilm[] = [film("p", "Grey primer"), film("c", "Buoy red")]) =>
    render(<TellDialog ref={createRef()} regionId="deck" name="Deck" laid={laid} covered={false} products={[]} />);

  it.each([
    ["washed", () => {}, { kind: "worked", work: { kind: "wash", how: "rinse" }, minutesAgo: 0, note: "" }],
    [
      "soaked, to be done next",
      () => {
        choose("Soaked or under the tap for long");
        choose("To be done next");
      },
      { kind: "asked", work: { kind: "wash", how: "soak" }, note: "" },
    ],
    [
      "rubbed dry ten minutes ago",
      () => {
        choose("Rubbed down");
        fill("Paper", "600");
        fill("Takes off", "3,5");
        fireEvent.click(screen.getByRole("checkbox", { name: "wet", hidden: true }));
        fill("When", "10");
      },
      { kind: "worked", work: { kind: "rub", grit: 600, wet: false, takesUm: 3.5 }, minutesAgo: 10, note: "" },
    ],
    [
      "stripped down to the primer",
      () => {
        choose("Stripped");
        fill("Down to", "p");
      },
      { kind: "worked", work: { kind: "strip", downTo: "p", way: "by-hand" }, minutesAgo: 0, note: "" },
    ],
    [
      "the topmost film measured",
      () => {
        choose("Film measured");
        fill("Dry film", "42");
      },
      { kind: "measured", layerId: "c", dftUm: 42, minutesAgo: 0, note: "" },
    ],
  ])("%s", async (_, act, sent) => {
    open();
    act();
    await send();
    expect(mockTell.mock.calls.at(-1)![0]).toBe("deck");
    expect(told()).toEqual(sent);
  });
  it("of a bare face nothing can be stripped or measured", () => {
    open([]);
    expect(screen.queryByRole("radio", { name: "Stripped", hidden: true })).toBeNull();
    expect(screen.queryByRole("radio", { name: "Film measured", hidden: true })).toBeNull();
  });
  it("refused: the field says why, and what was typed stays", async () => {
    mockTell.mockResolvedValue({
      ok: false,
      problem: {
        code: "invalid",
        detail: "grit: no",
        fields: [{ path: "work.grit", message: "must be between 24 and 12000" }],
      },
    });
    open();
    choose("Rubbed down");
    fill("Paper", "3");
    await send();
    expect(screen.getByText("must be between 24 and 12000")).toBeTruthy();
    expect((screen.getByLabelText("Paper") as HTMLInputElement).value).toBe("3");
    expect(HTMLDialogElement.prototype.close).not.toHaveBeenCalled();
  });
});

describe("the card of a region", () => {
  const node = (over = {}): RegionNode => ({
    region: region({ id: "r", name: "Top", ...over }),
    stack: { prep: [], layers: [] },
    overrides: [],
    rev: 4,
    stackRev: 0,
  });
  const open = (over = {}) => render(<RegionCard node={node(over)} partName="Deck" close={jest.fn()} />);
  const saved = () => mockEdit.mock.calls.map((c) => c[3]);
  const leave = (label: string, value: string) =>
    act(async () => {
      fill(label, value);
      fireEvent.blur(screen.getByLabelText(label));
    });
  const pick = (label: string, value: string) => act(async () => void fill(label, value));

  it("figures, choices, names and ticks go each as its own field", async () => {
    open();
    await leave("Deepest dent or gap of Deck, Top, µm", "800");
    await leave("What stays bare on Deck, Top", "bore, axle ,");
    await pick("Lead in Deck, Top", "unknown");
    await pick("Is Deck, Top hollow", "yes");
    await act(async () => void fireEvent.click(screen.getByLabelText("Joints or undercuts that hold wash water")));
    expect(saved()).toEqual([
      { fillDepthUm: 800 },
      { keepBare: ["bore", "axle"] },
      { lead: "unknown" },
      { hollow: true },
      { joints: true },
    ]);
    expect(mockEdit.mock.calls.map((c) => c[2])).toEqual([4, 5, 6, 7, 8]);
  });
  it("what nobody knows stays unknown, and is never filled in", async () => {
    open({ hollow: true, oldFinish: { family: "alkyd", ageDays: 30, rub: "sound", lead: "none" } });
    await pick("Is Deck, Top hollow", "unknown");
    await leave("Age of the old finish of Deck, Top, days", "");
    expect(saved()).toEqual([
      { hollow: "unknown" },
      { oldFinish: { family: "alkyd", ageDays: "unknown", rub: "sound", lead: "none" } },
    ]);
  });
  it("an old finish is there or not as one, all of it unknown at first, with its caution", async () => {
    const { rerender } = open();
    await act(async () => void fireEvent.click(screen.getByLabelText("It has old paint on it")));
    const unknown = { family: "unknown", ageDays: "unknown", rub: "untested", lead: "unknown" };
    expect(saved()).toEqual([{ oldFinish: unknown }]);
    rerender(<RegionCard node={node({ oldFinish: unknown })} partName="Deck" close={jest.fn()} />);
    expect(screen.getByText(/no dry sanding/)).toBeTruthy();
  });
});

it("a pile that differs from what lies there says how, and is set right by one press", () => {
  const take = jest.fn();
  render(
    <LiesOtherwise
      differences={[{ kind: "not-in-pile", layerId: "p", productId: "x" }]}
      productOf={() => ({ name: "Grey primer" }) as never}
      take={take}
    />,
  );
  expect(screen.getByText("Grey primer lies there and is not in the pile.")).toBeTruthy();
  fireEvent.click(screen.getByRole("button", { name: "Set the pile right" }));
  expect(take).toHaveBeenCalledTimes(1);
});

function From({ left }: { left: (clock: string) => void }) {
  const [clock, setClock] = useState("19:00");
  return <ClockInput label="From" value={clock} onChange={setClock} onBlur={left} />;
}

it("a time of day is put into the plan's form when its field is left", () => {
  const left = jest.fn();
  render(<From left={left} />);
  fill("From", "7.30 pm");
  fireEvent.blur(screen.getByLabelText("From"));
  expect((screen.getByLabelText("From") as HTMLInputElement).value).toBe("19:30");
  expect(left).toHaveBeenCalledWith("19:30");
});

const drawing = { broken: true };
function Chart() {
  if (drawing.broken) throw new Error("no such axis");
  return <p>drawn</p>;
}

it("what falls over leaves the rest of the page, and can be tried again", () => {
  const quiet = jest.spyOn(console, "error").mockImplementation(() => {});
  drawing.broken = true;
  render(
    <>
      <p>the table</p>
      <Apart what="The chart">
        <Chart />
      </Apart>
    </>,
  );
  expect(screen.getByText("the table")).toBeTruthy();
  expect(screen.getByRole("alert").textContent).toContain("The chart could not be drawn");
  drawing.broken = false;
  fireEvent.click(screen.getByRole("button", { name: "Try again" }));
  expect(screen.getByText("drawn")).toBeTruthy();
  quiet.mockRestore();
});

describe("a day and a time as their reader writes them", () => {
  afterEach(() => showAs(USUAL_SHOWING));
  const changes = jest.fn();
  const day = (value: string) => {
    render(<DateInput label="Due" value={value} today="2026-11-28" onChange={changes} />);
    return screen.getByLabelText("Due") as HTMLInputElement;
  };
  it("a typed day is one change, whether by Enter, by leaving, or both", () => {
    const field = day("");
    fireEvent.change(field, { target: { value: "3 dec" } });
    fireEvent.keyDown(field, { key: "Enter" });
    fireEvent.blur(field);
    expect(changes.mock.calls).toEqual([["2026-12-03"]]);
    expect(field.value).toBe("3 Dec 2026");
  });
  it("emptied it is no day; what is none goes as it was typed; untouched nothing is sent", () => {
    const field = day("2026-12-03");
    fireEvent.blur(field);
    expect(changes).not.toHaveBeenCalled();
    fireEvent.change(field, { target: { value: "soon" } });
    fireEvent.blur(field);
    fireEvent.change(field, { target: { value: " " } });
    fireEvent.blur(field);
    expect(changes.mock.calls).toEqual([["soon"], [""]]);
  });
  it("the order of figures is the reader’s", () => {
    showAs({ ...USUAL_SHOWING, dates: "mdy" });
    const field = day("2026-12-03");
    expect(field.value).toBe("Dec 3, 2026");
    fireEvent.change(field, { target: { value: "1/2/27" } });
    fireEvent.blur(field);
    expect(changes).toHaveBeenLastCalledWith("2027-01-02");
  });
  it("midnight at the end of a day stays what it is when nobody touched it", () => {
    showAs({ ...USUAL_SHOWING, clock: "12" });
    const left = jest.fn();
    render(<ClockInput label="To" value="24:00" onChange={() => {}} onBlur={left} />);
    const field = screen.getByLabelText("To") as HTMLInputElement;
    expect(field.value).toBe("12:00 am");
    fireEvent.blur(field);
    expect(left).toHaveBeenLastCalledWith("24:00");
    fireEvent.change(field, { target: { value: "9:30 pm" } });
    fireEvent.blur(field);
    expect(left).toHaveBeenLastCalledWith("21:30");
  });
});
