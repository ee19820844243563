"use client";

import { useState } from "react";
import type { Problem } from "@/contracts";
import { SOLID_SHAPE, SOLIDS, type SolidKind, solidAreaCm2 } from "@/core/reference";
import { figureShown, numberTyped, unitShown } from "@/format";
import { meshFaultText } from "@/messages";
import { Apart } from "../components/Apart";
import { useMesh } from "./useMesh";

type Save = (areaCm2: number) => Promise<Problem | null>;

const SOLID_NAME: Readonly<Record<SolidKind, string>> = {
  box: "box",
  cylinder: "cylinder",
  tube: "tube",
  cone: "cone",
  sphere: "sphere",
};
const ENDS_NAME: Readonly<Record<SolidKind, string>> = {
  box: "Top and bottom painted",
  cylinder: "Ends painted",
  tube: "Rings painted",
  cone: "Base painted",
  sphere: "",
};

const rounded = (cm2: number): number => (cm2 >= 10 ? Math.round(cm2 * 10) / 10 : Math.round(cm2 * 1000) / 1000);

/** Area of a region, from the body it is nearest to or from the file it was printed from. */
export function AreaHelper({ of, save }: { of: string; save: Save }) {
  const [kind, setKind] = useState<SolidKind | "file">("box");
  const [problem, setProblem] = useState<string | null>(null);
  const take = async (cm2: number) => setProblem((await save(rounded(cm2)))?.detail ?? null);
  return (
    <section className="grid gap-2 rounded-box bg-base-200 p-3" aria-label={`Reckon the area of ${of}`}>
      <div className="flex flex-wrap gap-x-3 gap-y-1" role="radiogroup" aria-label="Area from">
        {[...SOLIDS, "file" as const].map((k) => (
          <label key={k} className="flex items-center gap-1.5">
            <input
              type="radio"
              className="radio radio-xs"
              name="solid"
              checked={kind === k}
              onChange={() => setKind(k)}
            />
            {k === "file" ? "STL file" : SOLID_NAME[k]}
          </label>
        ))}
      </div>
      {kind === "file" ? <FromFile take={take} /> : <FromSolid key={kind} kind={kind} take={take} />}
      {problem && (
        <p role="alert" className="font-semibold text-error">
          {problem}
        </p>
      )}
    </section>
  );
}

function Length({
  name,
  unit,
  value,
  change,
}: {
  name: string;
  unit: string;
  value: string;
  change: (v: string) => void;
}) {
  return (
    <label className="text-sm">
      {name}, {unitShown(unit)}
      <input
        className="input input-sm w-full"
        inputMode="decimal"
        value={value}
        onChange={(e) => change(e.target.value)}
      />
    </label>
  );
}

function FromSolid({ kind, take }: { kind: SolidKind; take: (cm2: number) => Promise<void> }) {
  const { lengths, ends } = SOLID_SHAPE[kind];
  const [texts, setTexts] = useState<readonly string[]>(lengths.map(() => ""));
  const [painted, setPainted] = useState<number>(ends[0] ?? 0);
  const [pieces, setPieces] = useState("1");
  const one = solidAreaCm2(
    kind,
    texts.map((t) => numberTyped(t, "mm")),
    painted,
  );
  const count = numberTyped(pieces, "");
  const cm2 = one === null || !(count > 0) ? null : one * count;
  return (
    <form
      className="grid grid-cols-2 gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (cm2 !== null) void take(cm2);
      }}
    >
      {lengths.map((name, i) => (
        <Length
          key={name}
          name={name}
          unit="mm"
          value={texts[i]!}
          change={(v) => setTexts(texts.map((t, n) => (n === i ? v : t)))}
        />
      ))}
      <Length name="such bodies" unit="in one piece" value={pieces} change={setPieces} />
      {ends.length > 0 && (
        <label className="text-sm">
          {ENDS_NAME[kind]}
          <select
            className="select select-sm w-full"
            value={painted}
            onChange={(e) => setPainted(Number(e.target.value))}
          >
            {ends.map((n) => (
              <option key={n} value={n}>
                {n === 0 ? "none" : n}
              </option>
            ))}
          </select>
        </label>
      )}
      <Take cm2={cm2} missing={`Give every length in ${unitShown("mm")}.`} />
    </form>
  );
}

function Take({ cm2, missing }: { cm2: number | null; missing: string }) {
  return (
    <span className="col-span-2 flex flex-wrap items-center gap-3">
      <button type="submit" className="btn btn-primary btn-sm" disabled={cm2 === null}>
        Use this area
      </button>
      <output className="font-bold">
        {cm2 === null ? (
          <span className="soft font-normal">{missing}</span>
        ) : (
          `${figureShown(rounded(cm2), "cm²")} ${unitShown("cm²")}`
        )}
      </output>
    </span>
  );
}

const UNIT_CM: Readonly<Record<string, number>> = { mm: 0.1, cm: 1, inch: 2.54, m: 100 };
const PERCENT = 100;

interface FromFileProps {
  readonly take: (cm2: number) => Promise<void>;
}

const FromFile = (props: FromFileProps) => (
  <Apart what="The file reader">
    <Measured {...props} />
  </Apart>
);

function Measured({ take }: FromFileProps) {
  const { state, measure, cancel } = useMesh();
  const [unit, setUnit] = useState("");
  const [share, setShare] = useState("100");
  const measured = state.kind === "done" && state.answer.outcome === "measured" ? state.answer : null;
  const toCm = UNIT_CM[unit];
  const part = numberTyped(share, "%") / PERCENT;
  const cm2 = measured && toCm && part > 0 && part <= 1 ? measured.area * toCm ** 2 * part : null;
  const size = measured?.max.map((m, i) => m - measured.min[i]!);
  const round3 = (x: number) => String(Math.round(x * 1000) / 1000);
  return (
    <form
      className="grid grid-cols-2 gap-2"
      onSubmit={(e) => {
        e.preventDefault();
        if (cm2 !== null) void take(cm2);
      }}
    >
      <label className="col-span-2 text-sm">
        STL file, ASCII or binary; it stays on this machine
        <input
          type="file"
          accept=".stl,model/stl"
          className="file-input file-input-sm w-full"
          onChange={(e) => e.target.files?.[0] && measure(e.target.files[0])}
        />
      </label>
      {state.kind === "read" && (
        <div className="col-span-2 flex items-center gap-2" role="status">
          <progress className="progress w-40" value={state.share} max={1} aria-label={`Reading ${state.name}`} />
          {Math.round(state.share * PERCENT)} % of {state.name}
          <button type="button" className="btn btn-xs bg-base-100" onClick={cancel}>
            Stop
          </button>
        </div>
      )}
      {state.kind === "unread" && (
        <p role="alert" className="col-span-2 font-semibold text-error">
          {state.name} could not be read: {state.why}
        </p>
      )}
      {state.kind === "done" && state.answer.outcome === "refused" && (
        <p role="alert" className="col-span-2 font-semibold text-error">
          {state.name}: {meshFaultText(state.answer)} Nothing was changed.
        </p>
      )}
      {measured && size && (
        <>
          <p className="col-span-2 text-sm" role="status">
            {measured.triangles} triangles, {size.map(round3).join(" × ")} in the file’s units. A file does not say
            which:
          </p>
          <label className="text-sm">
            One unit of the file is
            <select className="select select-sm w-full" value={unit} onChange={(e) => setUnit(e.target.value)}>
              <option value="">– choose –</option>
              <option value="mm">1 mm</option>
              <option value="cm">1 cm</option>
              <option value="inch">1 inch</option>
              <option value="m">1 m</option>
            </select>
          </label>
          <Length name="of it painted" unit="%" value={share} change={setShare} />
          {toCm && (
            <p className="col-span-2 text-sm">
              {size.map((s) => `${round3(figureShown(s * toCm * 10, "mm"))} ${unitShown("mm")}`).join(" × ")};{" "}
              {measured.volume === null
                ? "the mesh is open: no volume"
                : `${round3(figureShown(measured.volume * toCm ** 3, "cm³"))} ${unitShown("cm³")} inside`}
              .
            </p>
          )}
          <Take cm2={cm2} missing="Choose the file’s unit." />
        </>
      )}
    </form>
  );
}
