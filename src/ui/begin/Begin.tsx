"use client";

import { ArrowRight } from "lucide-react";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { beginAction } from "@/actions/begin";
import type { Problem } from "@/contracts";
import { FINISHES, type Finish, type JarId, MATERIAL_GROUPS, MATERIALS, type MaterialId } from "@/core/model";
import { materialFacts } from "@/core/reference";
import { FINISH_NAME, MATERIAL_GROUP_NAME, MATERIAL_NAME, MATERIAL_TELL } from "@/messages";
import { useAct } from "../hooks/useAct";
import { OwnJars } from "./OwnJars";

const faultOf = (problem: Problem | null, path: string): string | null =>
  problem?.fields.find((f) => f.path === path)?.message ?? null;

/** From one part and what stands in the cupboard to what may go on it: three questions, one answer. */
export function Begin({ owned }: { owned: readonly string[] }) {
  const router = useRouter();
  const { act, busy } = useAct();
  const [name, setName] = useState("My part");
  const [material, setMaterial] = useState<MaterialId | null>(null);
  const [finish, setFinish] = useState<Finish>("seen");
  const [jars, setJars] = useState<readonly JarId[]>([]);
  const [problem, setProblem] = useState<Problem | null>(null);
  const begin = async () => {
    const begun = await act(() => beginAction({ name, material, finish, jars }), { quiet: true });
    setProblem(begun.ok ? null : begun.problem);
    if (begun.ok) router.push(`/stacks?region=${begun.value.regionId}&find=1`);
  };
  return (
    <main className="mx-auto grid max-w-4xl gap-6 p-4">
      <div>
        <h1 className="text-2xl font-bold">One part: what can I put on it?</h1>
        <p className="soft">Three questions. What you leave out can be told later.</p>
      </div>
      <section aria-labelledby="made-of" className="grid gap-2">
        <h2 id="made-of" className="text-lg font-bold">
          1. What is it made of?
        </h2>
        {material === null ? (
          <MaterialChoice choose={setMaterial} isMissing={faultOf(problem, "material") !== null} />
        ) : (
          <p className="flex flex-wrap items-center gap-3">
            <strong className="rounded-field bg-base-200 px-3 py-1.5">{MATERIAL_NAME[material]}</strong>
            <span className="soft">{MATERIAL_TELL[material]}</span>
            <button type="button" className="btn btn-sm" onClick={() => setMaterial(null)}>
              Something else
            </button>
          </p>
        )}
      </section>
      <section aria-labelledby="own" className="grid gap-2">
        <h2 id="own" className="text-lg font-bold">
          2. What do you have to put on it?
        </h2>
        <OwnJars key={material} jars={jars} set={setJars} fault={faultOf(problem, "jars")} next={material !== null} />
        {owned.length > 0 && (
          <p className="soft text-sm">
            And on the shelf already: {owned.slice(0, 8).join(", ")}
            {owned.length > 8 && ` and ${owned.length - 8} more`}.
          </p>
        )}
      </section>
      <section aria-labelledby="seen" className="grid gap-2">
        <h2 id="seen" className="text-lg font-bold">
          3. What shall it be?
        </h2>
        <div className="flex flex-wrap items-end gap-4">
          <label className="grid gap-0.5 text-sm">
            Called
            <input className="input w-56" value={name} onChange={(e) => setName(e.target.value)} />
          </label>
          <fieldset className="flex flex-wrap gap-4">
            <legend className="sr-only">How closely it is seen</legend>
            {FINISHES.map((f) => (
              <label key={f} className="flex min-h-11 items-center gap-2">
                <input
                  type="radio"
                  className="radio"
                  name="finish"
                  checked={finish === f}
                  onChange={() => setFinish(f)}
                />
                {FINISH_NAME[f]}
              </label>
            ))}
          </fieldset>
        </div>
        {faultOf(problem, "name") && <Fault text={`Its name ${faultOf(problem, "name")}`} />}
      </section>
      {problem && problem.fields.length === 0 && <Fault text={problem.detail} />}
      <div className="sticky bottom-0 border-t border-base-300 bg-base-100 py-3">
        <button type="button" className="btn btn-primary btn-lg" disabled={busy} onClick={() => void begin()}>
          What can I put on it?
          <ArrowRight className="size-5" aria-hidden />
        </button>
      </div>
    </main>
  );
}

const Fault = ({ text }: { text: string }) => (
  <p role="alert" className="font-semibold text-error">
    {text}
  </p>
);

interface MaterialProps {
  readonly choose: (m: MaterialId) => void;
  readonly isMissing: boolean;
}

/** Materials by kind, each with how one tells it. */
function MaterialChoice({ choose, isMissing }: MaterialProps) {
  return (
    <>
      {isMissing && <Fault text="Choose what it is made of." />}
      {MATERIAL_GROUPS.map((group) => (
        <fieldset key={group} className="grid gap-1">
          <legend className="soft text-sm font-semibold">{MATERIAL_GROUP_NAME[group]}</legend>
          <div className="grid gap-x-4 gap-y-1 sm:grid-cols-2">
            {MATERIALS.filter((m) => materialFacts(m).group === group).map((m) => (
              <button
                key={m}
                type="button"
                data-material={m}
                className="min-h-11 rounded-field border border-base-300 px-3 py-1.5 text-left hover:bg-base-200"
                onClick={() => choose(m)}
              >
                <strong>{MATERIAL_NAME[m]}</strong>
                <span className="soft block text-sm">{MATERIAL_TELL[m]}</span>
              </button>
            ))}
          </div>
        </fieldset>
      ))}
    </>
  );
}
