"use client";

import { FlaskConical, Wrench } from "lucide-react";
import Link from "next/link";
import { usePathname, useRouter, useSearchParams } from "next/navigation";
import { useState } from "react";
import { planCouponAction } from "@/actions/coupons";
import { overrideAction } from "@/actions/stacks";
import type { PlacedVerdict } from "@/core/judge";
import type { Remedy } from "@/core/rules";
import { liquidText, type NameOf, remedyText, verdictText, wouldText } from "@/messages";
import { VerdictMark } from "../components/VerdictMark";
import { useAct } from "../hooks/useAct";

export interface VerdictTools {
  readonly regionId: string;
  /** reasons already written, by verdict key */
  readonly reasons: ReadonlyMap<string, string>;
  readonly carryOut: (key: string, n: number) => Promise<unknown>;
  /** id of the card of a layer whose carrier is only its kind's word; null = it is known, or nobody knows */
  readonly unreadCard: (layer: number) => string | null;
  readonly nameOf: NameOf;
}

/** One verdict: mark, reason, and what puts it right; a finish stop may be answered with a written reason. */
function OneVerdict({ v, tools }: { v: PlacedVerdict; tools: VerdictTools }) {
  const reason = tools.reasons.get(v.key);
  return (
    <li className="grid gap-1" data-rule={v.rule} data-verdict={v.verdict}>
      <p className="flex items-start gap-2">
        <VerdictMark verdict={v.verdict} />
        <span>
          {v.liquid && <strong>{liquidText(v.liquid, tools.nameOf)} </strong>}
          {verdictText(v)}
          {v.evidence === "own-coupon" && v.verdict === "care" && (
            <strong> Your own coupon passed: no trial needed any more.</strong>
          )}
          {v.would && <span className="soft block text-sm">{wouldText(v.would)}</span>}
        </span>
      </p>
      {v.verdict !== "ok" && (
        <div className="flex flex-wrap items-center gap-x-2 gap-y-1 pl-8 text-sm">
          {v.remedy.map((r, n) =>
            r.do === "advice" ? (
              <Advice key={remedyText(r)} remedy={r} v={v} tools={tools} />
            ) : (
              <button
                key={remedyText(r)}
                type="button"
                className="btn btn-xs gap-1"
                onClick={() => void tools.carryOut(v.key, n)}
              >
                <Wrench className="size-3" aria-hidden />
                {remedyText(r)}
              </button>
            ),
          )}
        </div>
      )}
      {v.verdict === "test" && (
        <p className="pl-8">
          <PlanCoupon regionId={tools.regionId} upTo={v.where.layer + 1} />
        </p>
      )}
      {v.verdict === "stop" && v.kind === "safety" && (
        <p className="pl-8 text-sm font-semibold text-error">
          A safety stop: it cannot be overridden. The safety data sheet decides.
        </p>
      )}
      {v.verdict === "stop" && v.kind === "finish" && (
        <Override key={reason ?? ""} verdictKey={v.key} reason={reason ?? null} regionId={tools.regionId} />
      )}
    </li>
  );
}

/** What a person has to do, with the way to where it is done. */
function Advice({ remedy, v, tools }: { remedy: Remedy; v: PlacedVerdict; tools: VerdictTools }) {
  const path = usePathname();
  const params = useSearchParams();
  const card = v.missing.includes("product.carriers") ? tools.unreadCard(v.where.layer) : null;
  if (remedy.do === "advice" && remedy.key === "wear-protection")
    return (
      <Link className="link" href={`/settings?back=${encodeURIComponent(`${path}?${params}`)}#protection`}>
        {remedyText(remedy)}
      </Link>
    );
  if (card !== null)
    return (
      <Link className="link" href={`/shelf?product=${card}`}>
        Read its label: one question on its card answers this.
      </Link>
    );
  return <span className="soft">{remedyText(remedy)}</span>;
}

function PlanCoupon({ regionId, upTo }: { regionId: string; upTo: number }) {
  const router = useRouter();
  const { act, busy } = useAct();
  const plan = async () => {
    const outcome = await act(() => planCouponAction(regionId, upTo));
    if (outcome.ok) router.push(`/coupons?coupon=${outcome.value.ids[0]}`);
  };
  return (
    <button type="button" className="btn btn-xs gap-1" disabled={busy} onClick={() => void plan()}>
      <FlaskConical className="size-3" aria-hidden />
      Plan a coupon of the first {upTo === 1 ? "layer" : `${upTo} layers`}
    </button>
  );
}

function Override({ verdictKey, reason, regionId }: { verdictKey: string; reason: string | null; regionId: string }) {
  const { act, busy } = useAct();
  const [open, setOpen] = useState(false);
  const [text, setText] = useState("");
  const [fault, setFault] = useState<string | null>(null);
  if (reason !== null) {
    return (
      <p className="pl-8 text-sm">
        <strong>Going ahead because:</strong> {reason}{" "}
        <button
          type="button"
          className="link"
          onClick={() => void act(() => overrideAction(regionId, verdictKey, null))}
        >
          withdraw
        </button>
      </p>
    );
  }
  if (!open)
    return (
      <p className="pl-8">
        <button type="button" className="link text-sm" onClick={() => setOpen(true)}>
          Go ahead all the same, with a reason…
        </button>
      </p>
    );
  const save = async () => {
    const outcome = await act(() => overrideAction(regionId, verdictKey, text), { quiet: true });
    setFault(outcome.ok ? null : (outcome.problem.fields[0]?.message ?? outcome.problem.detail));
  };
  return (
    <form
      className="grid gap-1 pl-8 text-sm"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <label>
        Why it will hold all the same (plan and log carry this)
        <input
          className={`input input-sm w-full ${fault ? "input-error" : ""}`}
          value={text}
          onChange={(e) => setText(e.target.value)}
        />
      </label>
      {fault && (
        <p role="alert" className="font-semibold text-error">
          {fault}
        </p>
      )}
      <span className="flex gap-2">
        <button type="submit" className="btn btn-xs btn-primary" disabled={busy}>
          Write it down
        </button>
        <button type="button" className="btn btn-xs" onClick={() => setOpen(false)}>
          Leave it
        </button>
      </span>
    </form>
  );
}

export function Verdicts({ list, tools }: { list: readonly PlacedVerdict[]; tools: VerdictTools }) {
  if (list.length === 0) return null;
  return (
    <ul className="grid gap-2">
      {list.map((v) => (
        <OneVerdict key={v.key + v.missing.join()} v={v} tools={tools} />
      ))}
    </ul>
  );
}
