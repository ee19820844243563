import { ArrowDown, ArrowUp, ListPlus, X } from "lucide-react";
import { useState } from "react";
import type { StackView } from "@/contracts";
import {
  fromPrepRows,
  isOneOf,
  LIQUID_PREP,
  type LiquidPrep,
  PREP_STEPS,
  PREP_TIMES_MOST,
  type PrepRow,
  type PrepStep,
  type Product,
  preparedSteps,
  prepRows,
  SOAK_PREP,
  type Stack,
  withStep,
} from "@/core/model";
import { duration, figureField, numberTyped, tempText } from "@/format";
import { PREP_CHECK, PREP_NAME, READY_WHY } from "@/messages";
import { LiquidSelect } from "./Liquids";
import type { ChangeStack } from "./useStack";

/** What a step is done with where nobody says. */
const USUAL_LIQUID: Readonly<Record<LiquidPrep, string>> = {
  degrease: "with the usual",
  derust: "by brush and paper",
  wash: "with soap and water",
  wipe: "with a clean cloth",
};

/** What is done to the bare face before the first layer, step by step, and with what; the first thing there is to do. */
export function Preparation({
  stack,
  materialName,
  maxC,
  ready,
  shelf,
  change,
}: {
  stack: Stack;
  /** null = not given */
  materialName: string | null;
  /** warmer than this it warps, °C; null = it does not, or nobody knows */
  maxC: number | null;
  ready: StackView["ready"];
  shelf: readonly Product[];
  change: ChangeStack;
}) {
  const rows = prepRows(stack);
  const keys = preparedSteps(stack.prep).map(({ key }) => key);
  const proposed = ready.proposed.map(({ step }) => step);
  const asProposed = proposed.join() === stack.prep.join();
  const put = (to: (rows: readonly PrepRow[]) => readonly PrepRow[]) =>
    void change(({ prep, prepWith, prepWaitMin, prepSoakMin, ...others }) => ({
      ...others,
      ...fromPrepRows(to(prepRows({ prep, prepWith, prepWaitMin, prepSoakMin }))),
    }));
  // what was chosen is read now: the change is worked out when its turn in the queue comes
  const add = (step: PrepStep) => put((all) => withStep(all, step));
  const edit = (n: number, to: Partial<PrepRow>) => put((all) => all.map((r, i) => (i === n ? { ...r, ...to } : r)));
  return (
    <section
      className="rounded-box border-2 border-dashed border-secondary/60 p-2.5"
      aria-label="Preparation of the bare face"
    >
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="flex-1 font-bold">
          First, getting the bare face ready{materialName === null ? "" : `: ${materialName}`}
        </h3>
        {asProposed && rows.length > 0 && <span className="badge badge-sm badge-outline">as proposed</span>}
        {!asProposed && proposed.length > 0 && (
          <button
            type="button"
            className="btn btn-xs"
            title={proposed.map((s) => PREP_NAME[s]).join(", ")}
            onClick={() => put((all) => proposedRows(all, proposed))}
          >
            As proposed: {proposed.length} steps
          </button>
        )}
      </div>
      {rows.length === 0 ? (
        <p className="soft mt-1 text-sm">Nothing is done to it first. Add a step, or take what is proposed.</p>
      ) : (
        <ol className="mt-1 grid gap-1">
          {rows.map((row, n) => (
            <PrepLine
              key={keys[n]}
              row={row}
              n={n}
              last={rows.length - 1}
              why={ready.proposed.find((p) => p.step === row.step)?.why}
              time={ready.times.find((t) => t.key === keys[n])}
              maxC={maxC}
              shelf={shelf}
              edit={(to) => edit(n, to)}
              move={(by) => put((all) => moved(all, n, by))}
              remove={() => put((all) => all.filter((_, i) => i !== n))}
            />
          ))}
        </ol>
      )}
      <label className="mt-2 flex items-center gap-2 text-sm">
        <ListPlus className="size-4" aria-hidden />
        <select
          className="select select-xs w-52"
          aria-label="Add a step of getting ready"
          value=""
          onChange={(e) => add(e.target.value as PrepStep)}
        >
          <option value="">Add a step…</option>
          {PREP_STEPS.filter((s) => stack.prep.filter((p) => p === s).length < PREP_TIMES_MOST).map((s) => (
            <option key={s} value={s}>
              {PREP_NAME[s]}
              {stack.prep.includes(s) ? ", once more" : ""}
            </option>
          ))}
        </select>
        <span className="soft">What the part has behind it already: take it out here, tell it under Parts.</span>
      </label>
    </section>
  );
}

interface LineProps {
  readonly row: PrepRow;
  readonly n: number;
  readonly last: number;
  readonly why: StackView["ready"]["proposed"][number]["why"] | undefined;
  readonly time: StackView["ready"]["times"][number] | undefined;
  readonly maxC: number | null;
  readonly shelf: readonly Product[];
  readonly edit: (to: Partial<PrepRow>) => void;
  readonly move: (by: 1 | -1) => void;
  readonly remove: () => void;
}

const WITH_WATER: ReadonlySet<PrepStep> = new Set<PrepStep>(["drain", "wash", "rinse"]);

/** One step: what, why, how long at the bench and left alone, with what. */
function PrepLine({ row, n, last, why, time, maxC, shelf, edit, move, remove }: LineProps) {
  const name = PREP_NAME[row.step];
  const check = PREP_CHECK[row.step];
  return (
    <li className="rounded-field bg-base-200/60 px-2 py-1">
      <div className="flex flex-wrap items-center gap-x-2 gap-y-1">
        <span className="w-5 text-right tabular-nums">{n + 1}.</span>
        <span className="font-semibold">{name}</span>
        {time && <span className="soft text-sm">{duration(time.handsOnMin)}</span>}
        <span className="ml-auto flex items-center gap-x-2">
          {isOneOf(SOAK_PREP)(row.step) && (
            <OwnTime
              about="in it"
              label={`Left lying in it: ${name}, minutes`}
              unit="min"
              most={MOST_SOAK_MIN}
              such="20"
              placeholder="–"
              minutes={row.soakMin}
              save={(soakMin) => edit({ soakMin: soakMin || undefined })}
            />
          )}
          <OwnTime
            about="then alone"
            label={`Left alone after: ${name}, hours`}
            unit="h"
            most={MOST_HOURS}
            such="12"
            placeholder={(time?.waitMin ?? 0) > 0 ? `≈ ${Math.round((time?.waitMin ?? 0) / 6) / 10}` : "–"}
            minutes={row.waitMin}
            save={(waitMin) => edit({ waitMin })}
          />
          <LineButton label={`Earlier: ${name}`} icon={ArrowUp} disabled={n === 0} press={() => move(-1)} />
          <LineButton label={`Later: ${name}`} icon={ArrowDown} disabled={n === last} press={() => move(1)} />
          <LineButton label={`Take out: ${name}`} icon={X} disabled={false} press={remove} />
        </span>
      </div>
      {(why || check || isOneOf(LIQUID_PREP)(row.step)) && (
        <p className="soft pl-7 text-sm">
          {isOneOf(LIQUID_PREP)(row.step) && (
            <LiquidSelect
              label={`${name} with`}
              value={row.withId}
              shelf={shelf}
              usual={USUAL_LIQUID[row.step]}
              choose={(id) => edit({ withId: id ?? undefined })}
            />
          )}
          {why ? ` ${READY_WHY[why]}` : ""}
          {WITH_WATER.has(row.step) && maxC !== null ? ` Water hand-warm, never above ${tempText(maxC)}.` : ""}
          {check ? ` Done when: ${check}` : ""}
        </p>
      )}
    </li>
  );
}

function LineButton({
  label,
  icon: Icon,
  disabled,
  press,
}: {
  label: string;
  icon: typeof X;
  disabled: boolean;
  press: () => void;
}) {
  return (
    <button
      type="button"
      className="btn btn-ghost btn-xs btn-square"
      aria-label={label}
      disabled={disabled}
      onClick={press}
    >
      <Icon className="size-4" aria-hidden />
    </button>
  );
}

/** How long it lies in its liquid, or is left alone after, in the user's own word: "overnight" is 12 h. */
function OwnTime({
  about,
  label,
  unit,
  most,
  such,
  placeholder,
  minutes,
  save,
}: {
  about: string;
  label: string;
  unit: "h" | "min";
  most: number;
  such: string;
  /** what stands where the user says nothing, at 20 °C and half damp */
  placeholder: string;
  minutes: number | undefined;
  save: (minutes: number | undefined) => void;
}) {
  const per = unit === "h" ? MIN_PER_HOUR : 1;
  const shown = minutes === undefined ? "" : figureField(minutes / per, unit);
  const [typed, setTyped] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const told = () => {
    if (typed === null) return;
    const figure = typed.trim() === "" ? null : numberTyped(typed, unit);
    const wrong = figure !== null && !(figure >= 0 && figure <= most);
    setFault(wrong ? `${unit === "h" ? "hours" : "minutes"} from 0 to ${most}, such as ${such}` : null);
    if (wrong) return;
    setTyped(null);
    const next = figure === null ? undefined : Math.round(figure * per);
    if (next !== minutes) save(next);
  };
  return (
    <label className="soft flex items-center gap-1 text-sm">
      {fault && (
        <span role="alert" className="font-semibold text-error">
          {fault}
        </span>
      )}
      {about}
      <input
        className={`input input-xs w-14 text-right ${fault ? "input-error" : ""}`}
        inputMode="decimal"
        placeholder={placeholder}
        aria-label={label}
        aria-invalid={fault !== null}
        value={typed ?? shown}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={told}
        onKeyDown={(e) => e.key === "Enter" && told()}
      />
      {unit}
    </label>
  );
}
const MOST_SOAK_MIN = 1440;
const MIN_PER_HOUR = 60;
const MOST_HOURS = 1000;

const moved = (rows: readonly PrepRow[], n: number, by: 1 | -1): readonly PrepRow[] => {
  const next = [...rows];
  [next[n], next[n + by]] = [next[n + by]!, next[n]!];
  return next;
};

/** What is told of a step stays with it. */
function proposedRows(rows: readonly PrepRow[], proposed: readonly PrepStep[]): readonly PrepRow[] {
  const left = [...rows];
  return proposed.map((step) => {
    const at = left.findIndex((r) => r.step === step);
    return at < 0 ? { step } : left.splice(at, 1)[0]!;
  });
}
