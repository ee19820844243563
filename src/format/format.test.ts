import { USUAL_SHOWING } from "@/contracts";
import {
  asStored,
  clock,
  clockShown,
  clockTyped,
  dateShown,
  dateTyped,
  day,
  figureField,
  figureRead,
  figureShown,
  figureTyped,
  filmText,
  inUnits,
  numberTyped,
  showAs,
  tempByText,
  tempText,
  unitShown,
  volumeText,
} from ".";

const INCH = { temp: "f", film: "mil", length: "in", volume: "fl-oz", pressure: "psi" } as const;
const asInches = () => showAs({ ...USUAL_SHOWING, ...INCH });
const AT_MIN = Date.UTC(2026, 10, 28, 21, 5) / 60_000;
afterEach(() => showAs(USUAL_SHOWING));

describe("the units a reader chose", () => {
  it.each([
    ["a fresh coat", () => filmText(45), "45 µm", "1.77 mil"],
    ["a thick one", () => filmText(300), "300 µm", "11.8 mil"],
    ["a room", () => tempText(20), "20 °C", "68 °F"],
    ["frost", () => tempText(-5.5), "-5.5 °C", "22.1 °F"],
    ["a margin over the dew point has no 32", () => tempByText(3), "3 °C", "5.4 °F"],
    ["a tin", () => volumeText(400), "400 ml", "13.5 fl oz"],
    ["a drop", () => volumeText(2.5), "2.5 ml", "0.08 fl oz"],
    ["what is said after a unit stays", () => unitShown("µm wet"), "µm wet", "mil wet"],
    ["minutes are minutes", () => unitShown("min apart"), "min apart", "min apart"],
    ["pressure", () => `${figureShown(1.8, "bar")} ${unitShown("bar")}`, "1.8 bar", "26.11 psi"],
  ])("%s", (_of, told, usual, inches) => {
    expect(told()).toBe(usual);
    asInches();
    expect(told()).toBe(inches);
  });

  it.each([
    ["must be between -20 and 45 °C", "must be between -4 and 113 °F"],
    ["must be at most 55 °C for Mast", "must be at most 131 °F for Mast"],
    ["Less than 3 ∆°C above the dew point", "Less than 5.4 °F above the dew point"],
    ["three coats and 60 µm are the least.", "three coats and 2.362 mil are the least."],
    ["must be between 0.1 and 8 g/ml", "must be between 0.1 and 8 g/ml"],
    ["must be between 1 and 6000 min", "must be between 1 and 6000 min"],
    ["area 12 cm² and 5 cm deep", "area 1.86 in² and 1.969 in deep"],
  ])("a sentence of the server: %s", (kept, shown) => {
    expect(inUnits(kept)).toBe(kept.replace("∆", ""));
    asInches();
    expect(inUnits(kept)).toBe(shown);
  });

  it("what is typed is kept in units of storage, and what is no number stays text", () => {
    asInches();
    expect(figureTyped("68", "°C")).toBe(20);
    expect(figureTyped("1,8", "µm wet")).toBeCloseTo(45.72, 6);
    expect(figureTyped(" ", "°C")).toBeNull();
    expect(figureTyped("warm", "°C")).toBe("warm");
    expect(figureField(null, "µm")).toBe("");
  });

  it("what goes out to programs is in units of storage, also when saying it fails", () => {
    asInches();
    expect(asStored(() => tempText(20))).toBe("20 °C");
    expect(() =>
      asStored(() => {
        throw new Error("no");
      }),
    ).toThrow("no");
    expect(tempText(20)).toBe("68 °F");
  });
  it("a sum waits until there is a number", () => {
    expect(numberTyped("2,5", "mm")).toBe(2.5);
    expect(numberTyped("", "mm")).toBeNaN();
    expect(numberTyped("wide", "mm")).toBeNaN();
    asInches();
    expect(numberTyped("1", "mm")).toBe(25.4);
  });

  it("there and back loses nothing that could be read off a gauge", () => {
    asInches();
    for (const unit of ["°C", "µm", "mm", "cm²", "ml", "bar"])
      for (const x of [0.2, 1, 7.5, 45, 123, 1840]) {
        const back = figureRead(figureShown(x, unit), unit);
        expect(Math.abs(back - x)).toBeLessThanOrEqual(Math.max(0.06, x * 0.0006));
      }
  });
});

describe("clock and calendar", () => {
  it.each([
    ["24", "dmy", "21:05", "Sat 28 Nov", "28 Nov 2026"],
    ["12", "mdy", "9:05 pm", "Sat Nov 28", "Nov 28, 2026"],
    ["12", "ymd", "9:05 pm", "Sat 11-28", "2026-11-28"],
  ] as const)("clock %s, dates %s", (hours, dates, at, on, full) => {
    showAs({ ...USUAL_SHOWING, clock: hours, dates });
    expect(clock(AT_MIN, "UTC")).toBe(at);
    expect(day(AT_MIN, "UTC")).toBe(on);
    expect(dateShown("2026-11-28")).toBe(full);
    expect(dateTyped(full, "2026-01-01")).toBe("2026-11-28");
    expect(clockTyped(clockShown("21:05"))).toBe("21:05");
  });

  it.each([
    ["00:00", "12:00 am"],
    ["12:00", "12:00 pm"],
    ["24:00", "12:00 am"],
    ["07:30", "7:30 am"],
    ["later", "later"],
  ])("noon and midnight: %s", (stored, shown) => {
    showAs({ ...USUAL_SHOWING, clock: "12" });
    expect(clockShown(stored)).toBe(shown);
  });

  it.each([
    ["dmy", "3/4/2027", "2027-04-03"],
    ["mdy", "3/4/2027", "2027-03-04"],
    ["ymd", "2027/3/4", "2027-03-04"],
    ["dmy", "3.4.", "2026-04-03"],
    ["dmy", "3 4 27", "2027-04-03"],
    ["mdy", "Mar 4", "2026-03-04"],
    ["dmy", "4 march 2027", "2027-03-04"],
    ["dmy", "31/2/2027", "31/2/2027"],
    ["dmy", "4 moon 2027", "4 moon 2027"],
    ["dmy", "soon", "soon"],
  ] as const)("typed by a reader of %s: %s", (dates, text, iso) => {
    showAs({ ...USUAL_SHOWING, dates });
    expect(dateTyped(text, "2026-11-28")).toBe(iso);
  });
});
