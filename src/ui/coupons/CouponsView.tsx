"use client";

import { FlaskConical } from "lucide-react";
import Link from "next/link";
import { toast } from "sonner";
import { planCouponAction } from "@/actions/coupons";
import type { CouponView, JudgedRegion } from "@/contracts";
import type { Product } from "@/core/model";
import { relativeDay } from "@/format";
import { MATERIAL_NAME, RESULT_NAME, reasonText, STAGE_NAME, stageOf } from "@/messages";
import { VerdictMark } from "../components/VerdictMark";
import { useAct } from "../hooks/useAct";
import { useAddress } from "../hooks/useAddress";
import { CouponPanel } from "./CouponPanel";
import { PlanTrials } from "./PlanTrials";

const MS_PER_MIN = 60_000;
const STAGES = ["to-test", "curing", "planned", "told"] as const;

interface Props {
  readonly coupons: readonly CouponView[];
  readonly regions: readonly JudgedRegion[];
  readonly products: readonly Product[];
  readonly nowMin: number;
  readonly timeZone: string;
}

/** Trials on scrap: planned, curing, to be tested, told; and where the model still asks for one. */
export function CouponsView({ coupons, regions, products, nowMin, timeZone }: Props) {
  const { params, set } = useAddress();
  const chosen = coupons.find((c) => c.card.id === params.get("coupon")) ?? null;
  const when = (iso: string) => relativeDay(Date.parse(iso) / MS_PER_MIN, nowMin, timeZone);
  const nameOf = (regionId: string) => {
    const r = regions.find((x) => x.node.region.id === regionId);
    return r ? `${r.partName}, ${r.node.region.name}` : regionId;
  };
  const stages = STAGES.map((s) => ({ stage: s, list: coupons.filter((c) => stageOf(c) === s) })).filter(
    (s) => s.list.length > 0,
  );
  return (
    <main className="grid items-start gap-5 p-4 lg:grid-cols-[minmax(0,1fr)_440px]">
      <div className="grid gap-4">
        <div className="flex flex-wrap items-center gap-4">
          <h1 className="text-xl font-bold">Coupons</h1>
          <PlanTrials regions={regions} products={products} regionId={null} />
        </div>
        {coupons.length === 0 && (
          <p className="rounded-box bg-base-200 p-5 text-lg">
            No trials yet. A coupon is a scrap of the same material with the same layers. Plan one of any stack, or
            wherever a stack says “test”, paint it first, and let it decide.
          </p>
        )}
        {stages.map(({ stage, list }) => (
          <section key={stage} aria-label={STAGE_NAME[stage]}>
            <h2 className="mb-1 font-bold">{STAGE_NAME[stage]}</h2>
            <ul className="grid gap-2">
              {list.map((c) => (
                <li key={c.card.id}>
                  <button
                    type="button"
                    aria-pressed={chosen === c}
                    className={`w-full rounded-box border-l-4 p-3 text-left ${chosen === c ? "border-primary bg-base-200" : "border-base-300 bg-base-100 hover:bg-base-200"}`}
                    onClick={() => set({ coupon: c.card.id })}
                  >
                    <span className="font-semibold">{c.card.name}</span>
                    <span className="soft block text-sm">
                      {MATERIAL_NAME[c.card.material]} ·{" "}
                      {c.card.result
                        ? `${stage === "told" ? "" : "so far "}${RESULT_NAME[c.card.result]}${c.card.score ? `, ${c.card.score} of 5` : ""}`
                        : c.card.madeAt
                          ? `through cured ${when(c.card.dueAt)}`
                          : "not painted yet"}
                    </span>
                  </button>
                </li>
              ))}
            </ul>
          </section>
        ))}
        <Asked regions={regions} open={(id) => set({ coupon: id })} />
      </div>
      {chosen ? (
        <CouponPanel
          key={chosen.card.id}
          coupon={chosen}
          products={products}
          when={when}
          nameOf={nameOf}
          close={() => set({ coupon: null })}
        />
      ) : (
        coupons.length > 0 && (
          <p className="soft pt-10">Choose a coupon to see its layers and to write down what came of it.</p>
        )
      )}
    </main>
  );
}

/** Where the model's own stacks ask for a trial. */
function Asked({ regions, open }: { regions: readonly JudgedRegion[]; open: (id: string) => void }) {
  const { act, busy } = useAct();
  const asked = regions.flatMap((r) =>
    r.answer.outcome === "judged"
      ? r.answer.verdicts.filter((v) => v.verdict === "test").map((v) => ({ ...r, v }))
      : [],
  );
  if (asked.length === 0) return null;
  const plan = async (regionId: string, upTo: number) => {
    const outcome = await act(() => planCouponAction(regionId, upTo));
    if (!outcome.ok) return;
    toast.success("Coupon planned");
    open(outcome.value.ids[0]!);
  };
  return (
    <section aria-label="Trials asked for">
      <h2 className="mb-1 font-bold">Stacks that ask for a trial</h2>
      <ul className="grid gap-2">
        {asked.map(({ node, partName, v }) => (
          <li key={node.region.id + v.key} className="flex flex-wrap items-center gap-2 rounded-box bg-base-200 p-3">
            <VerdictMark verdict="test" />
            <span className="min-w-0 flex-1 basis-60">
              <Link className="link font-semibold" href={`/stacks?region=${node.region.id}`}>
                {partName}, {node.region.name}
              </Link>
              <span className="block text-sm">{reasonText(v.code, v.missing)}</span>
            </span>
            <button
              type="button"
              className="btn btn-sm bg-base-100"
              disabled={busy}
              onClick={() => void plan(node.region.id, v.where.layer + 1)}
            >
              <FlaskConical className="size-4" aria-hidden />
              Plan a coupon
              <span className="sr-only">
                {" "}
                for {partName}: {reasonText(v.code, v.missing)}
              </span>
            </button>
          </li>
        ))}
      </ul>
    </section>
  );
}
