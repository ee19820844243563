"use client";

import { FlaskConical } from "lucide-react";
import { useRouter } from "next/navigation";
import { useRef, useState } from "react";
import { toast } from "sonner";
import { planTrialsAction } from "@/actions/coupons";
import type { JudgedRegion, Problem } from "@/contracts";
import { FILM_ROLES, HEAVINESSES, type Heaviness, isOneOf, type Product } from "@/core/model";
import { HEAVINESS_NAME, MATERIAL_NAME, ROLE_NAME } from "@/messages";
import { useAct } from "../hooks/useAct";

interface Props {
  readonly regions: readonly JudgedRegion[];
  readonly products: readonly Product[];
  /** the stack to begin with; null = the first that has a material */
  readonly regionId: string | null;
}

const hasMaterial = ({ node: { region } }: JudgedRegion) => region.material !== null && region.material !== "unknown";

/** Plans trials of any stack: its first layers as they stand, or several products side by side over them. */
export function PlanTrials({ regions, products, regionId }: Props) {
  const dialog = useRef<HTMLDialogElement>(null);
  const known = regions.filter(hasMaterial);
  if (known.length === 0) return null;
  return (
    <>
      <button type="button" className="btn btn-sm self-center" onClick={() => dialog.current?.showModal()}>
        <FlaskConical className="size-4" aria-hidden />
        Plan trials
      </button>
      <dialog ref={dialog} className="modal" aria-labelledby="trials-title">
        <TrialsForm
          key={regionId}
          regions={known}
          products={products.filter((p) => isOneOf(FILM_ROLES)(p.role))}
          regionId={known.some((r) => r.node.region.id === regionId) ? regionId! : known[0]!.node.region.id}
          close={() => dialog.current?.close()}
        />
      </dialog>
    </>
  );
}

function TrialsForm({ regions, products, regionId, close }: Props & { regionId: string; close: () => void }) {
  const { act, busy } = useAct();
  const router = useRouter();
  const [of, setOf] = useState(regionId);
  const { region, stack } = regions.find((r) => r.node.region.id === of)!.node;
  const [depth, setDepth] = useState<number | null>(null);
  const upTo = Math.min(depth ?? stack.layers.length, stack.layers.length);
  const [tried, setTried] = useState<readonly string[]>([]);
  const [coats, setCoats] = useState("2");
  const [heaviness, setHeaviness] = useState<Heaviness>("light");
  const [problem, setProblem] = useState<Problem | null>(null);
  const nameOf = (id: string) => products.find((p) => p.id === id)?.name ?? id;
  const number = Math.max(1, tried.length);
  const plan = async () => {
    const asked = { regionId: of, upTo, productIds: tried, coats: Number(coats), heaviness };
    const outcome = await act(() => planTrialsAction(asked), { quiet: true });
    setProblem(outcome.ok ? null : outcome.problem);
    if (!outcome.ok) return;
    const { ids } = outcome.value;
    toast.success(ids.length === 1 ? "Coupon planned" : `${ids.length} coupons planned`);
    setTried([]);
    close();
    router.push(`/coupons?coupon=${ids[0]}`);
  };
  return (
    <form
      className="modal-box grid gap-3"
      onSubmit={(e) => {
        e.preventDefault();
        void plan();
      }}
    >
      <h2 id="trials-title" className="text-lg font-bold">
        Plan trials on scrap
      </h2>
      <label className="grid gap-1">
        Scrap like
        <select className="select w-full" value={of} onChange={(e) => setOf(e.target.value)}>
          {regions.map(({ node, partName }) => (
            <option key={node.region.id} value={node.region.id}>
              {partName}, {node.region.name}
            </option>
          ))}
        </select>
        <span className="soft text-sm">{MATERIAL_NAME[region.material as keyof typeof MATERIAL_NAME]}</span>
      </label>
      <label className="grid gap-1">
        Of its stack
        <select className="select w-full" value={upTo} onChange={(e) => setDepth(Number(e.target.value))}>
          <option value={0}>nothing: the bare material</option>
          {stack.layers.map((l, i) => (
            <option key={l.id} value={i + 1}>
              {i === 0 ? "the first layer" : `the first ${i + 1} layers`}, up to {nameOf(l.productId)}
            </option>
          ))}
        </select>
      </label>
      <fieldset className="grid gap-2 rounded-box border border-base-300 p-3">
        <legend className="px-1 font-bold">And on top, one coupon each</legend>
        <Tried products={products} tried={tried} setTried={setTried} />
        {tried.length > 0 && (
          <div className="flex flex-wrap items-center gap-2">
            <label className="flex items-center gap-2">
              Coats
              <input
                className="input input-sm w-16"
                inputMode="numeric"
                value={coats}
                onChange={(e) => setCoats(e.target.value)}
              />
            </label>
            <select
              className="select select-sm w-28"
              aria-label="How heavy"
              value={heaviness}
              onChange={(e) => setHeaviness(e.target.value as Heaviness)}
            >
              {HEAVINESSES.map((h) => (
                <option key={h} value={h}>
                  {HEAVINESS_NAME[h]}
                </option>
              ))}
            </select>
          </div>
        )}
      </fieldset>
      {problem && (
        <p role="alert" className="font-semibold text-error">
          {problem.detail}
        </p>
      )}
      <div className="modal-action mt-0">
        <button type="button" className="btn" onClick={close}>
          Close
        </button>
        <button type="submit" className="btn btn-primary" disabled={busy || (upTo === 0 && tried.length === 0)}>
          Plan {number} {number === 1 ? "coupon" : "coupons"}
        </button>
      </div>
    </form>
  );
}

interface TriedProps {
  readonly products: readonly Product[];
  readonly tried: readonly string[];
  readonly setTried: (ids: readonly string[]) => void;
}

/** Products to try side by side. */
function Tried({ products, tried, setTried }: TriedProps) {
  const [find, setFind] = useState("");
  const listed = products.filter((p) => p.name.toLowerCase().includes(find.trim().toLowerCase()));
  return (
    <>
      <input
        className="input input-sm w-full"
        aria-label="Find a product to try"
        placeholder="Find a product"
        value={find}
        onChange={(e) => setFind(e.target.value)}
      />
      <ul className="grid max-h-44 gap-1 overflow-y-auto">
        {listed.map((p) => (
          <li key={p.id}>
            <label className="flex items-center gap-2">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={tried.includes(p.id)}
                onChange={() => setTried(tried.includes(p.id) ? tried.filter((id) => id !== p.id) : [...tried, p.id])}
              />
              <span>
                {p.name} <span className="soft text-sm">{ROLE_NAME[p.role]}</span>
              </span>
            </label>
          </li>
        ))}
      </ul>
    </>
  );
}
