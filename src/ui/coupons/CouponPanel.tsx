"use client";

import { X } from "lucide-react";
import Link from "next/link";
import { useState } from "react";
import { toast } from "sonner";
import { couponMadeAction, couponTestedAction, deleteCouponAction, restoreCouponAction } from "@/actions/coupons";
import type { CouponView, Problem } from "@/contracts";
import { COUPON_RESULTS, type Product } from "@/core/model";
import { filmText } from "@/format";
import { HEAVINESS_NAME, MATERIAL_NAME, RESULT_NAME, stageOf, weightText } from "@/messages";
import { PhotoField } from "../components/PhotoField";
import { offerUndo, useAct } from "../hooks/useAct";

interface Props {
  readonly coupon: CouponView;
  readonly products: readonly Product[];
  readonly when: (iso: string) => string;
  readonly nameOf: (regionId: string) => string;
  readonly close: () => void;
}

/** One coupon: what to paint on it, when it is ripe, what came of it and what that decides. */
export function CouponPanel({ coupon, products, when, nameOf, close }: Props) {
  const { card, rev } = coupon;
  const { act, busy } = useAct();
  const productOf = (id: string) => products.find((p) => p.id === id);
  const remove = async () => {
    const gone = await act(() => deleteCouponAction(card.id));
    if (!gone.ok) return;
    close();
    offerUndo(`${card.name} deleted`, () => void act(() => restoreCouponAction(card.id)));
  };
  return (
    <section className="grid gap-3 rounded-box border border-base-300 bg-base-100 p-4" aria-label={card.name}>
      <div className="flex items-start justify-between gap-2">
        <h2 className="text-lg font-bold">{card.name}</h2>
        <button type="button" className="btn btn-ghost btn-sm btn-square" aria-label="Close the coupon" onClick={close}>
          <X className="size-4" aria-hidden />
        </button>
      </div>
      <ol className="grid gap-1" aria-label="Layers, bottom first">
        <li className="soft">{MATERIAL_NAME[card.material]}, prepared as the part is</li>
        {card.layers.map((l, i) => (
          <li key={`${l.productId}${i}`} className="flex items-center gap-2">
            <span
              className="size-5 shrink-0 rounded-field border border-base-content/40"
              style={{ background: productOf(l.productId)?.colour }}
              aria-hidden
            />
            {productOf(l.productId)?.name ?? l.productId}: {l.coats} {HEAVINESS_NAME[l.heaviness]}
            {l.wftUm !== null && `, ${filmText(l.wftUm)} wet each`}
          </li>
        ))}
      </ol>
      <dl className="grid grid-cols-[auto_1fr] gap-x-4">
        <dt className="soft">Painted</dt>
        <dd>{card.madeAt ? when(card.madeAt) : "not yet"}</dd>
        <dt className="soft">Through cured</dt>
        <dd>
          {when(card.dueAt)} <span className="text-sm text-warning">est.</span>
          {card.madeAt === null && <span className="soft text-sm"> if painted now</span>}
        </dd>
      </dl>
      {stageOf(coupon) === "planned" && (
        <button
          type="button"
          className="btn btn-primary justify-self-start"
          disabled={busy}
          onClick={() => void act(() => couponMadeAction(card.id, rev))}
        >
          Painted just now
        </button>
      )}
      <Told key={rev} coupon={coupon} />
      <div className="rounded-box bg-base-200 p-3" role="status">
        <p>{weightText(coupon)}</p>
        {coupon.counts && coupon.speaksFor.length > 0 && (
          <ul className="list-disc pl-5">
            {coupon.speaksFor.map((id) => (
              <li key={id}>
                <Link className="link" href={`/stacks?region=${id}`}>
                  {nameOf(id)}
                </Link>
              </li>
            ))}
          </ul>
        )}
      </div>
      <button type="button" className="btn btn-ghost btn-sm justify-self-start" onClick={() => void remove()}>
        Delete this coupon
      </button>
    </section>
  );
}

function Told({ coupon }: { coupon: CouponView }) {
  const { card, rev, ripe } = coupon;
  const { act, busy } = useAct();
  const [draft, setDraft] = useState({
    result: card.result as string | null,
    score: card.score === null ? "" : String(card.score),
    throughCured: card.throughCured || ripe,
    tapeTested: card.tapeTested,
    note: card.note,
    photo: card.photo,
  });
  const [problem, setProblem] = useState<Problem | null>(null);
  const save = async () => {
    const score =
      draft.score.trim() === "" ? null : Number.isNaN(Number(draft.score)) ? draft.score : Number(draft.score);
    const outcome = await act(() => couponTestedAction(card.id, rev, { ...draft, score }), { quiet: true });
    setProblem(outcome.ok ? null : outcome.problem);
    if (outcome.ok && outcome.value.repeat !== null)
      toast.success("Its repeat is on the list", { description: "To be painted again, from the start." });
  };
  const tick = (field: "throughCured" | "tapeTested", label: string) => (
    <label className="flex items-center gap-2">
      <input
        type="checkbox"
        className="checkbox checkbox-sm"
        checked={draft[field]}
        onChange={(e) => setDraft({ ...draft, [field]: e.target.checked })}
      />
      {label}
    </label>
  );
  return (
    <form
      className="grid gap-2 border-t border-base-300 pt-3"
      aria-label="What came of it"
      onSubmit={(e) => {
        e.preventDefault();
        void save();
      }}
    >
      <h3 className="font-bold">What came of it</h3>
      <div className="flex flex-wrap gap-x-4 gap-y-1" role="radiogroup" aria-label="Result">
        {[...COUPON_RESULTS, null].map((r) => (
          <label key={r ?? "none"} className="flex items-center gap-2">
            <input
              type="radio"
              className="radio radio-sm"
              name="result"
              checked={draft.result === r}
              onChange={() => setDraft({ ...draft, result: r })}
            />
            {r ? RESULT_NAME[r] : "not tested"}
          </label>
        ))}
      </div>
      {tick("throughCured", "It was through cured")}
      {tick("tapeTested", "Tape pulled, or cross-hatched")}
      {draft.result === "fail" && (
        <p className="soft text-sm">
          Melted, lifted or wrinkled? That needs no tape and counts at once. Leave the tape unticked.
        </p>
      )}
      <label className="flex items-center gap-2">
        Score, 1 to 5
        <input
          className="input input-sm w-16"
          inputMode="numeric"
          value={draft.score}
          onChange={(e) => setDraft({ ...draft, score: e.target.value })}
        />
      </label>
      <label className="grid gap-1">
        What was seen
        <textarea
          className="textarea w-full"
          rows={2}
          value={draft.note}
          onChange={(e) => setDraft({ ...draft, note: e.target.value })}
        />
      </label>
      <PhotoField label={card.name} hash={draft.photo} save={(photo) => setDraft({ ...draft, photo })} />
      {problem && (
        <p role="alert" className="font-semibold text-error">
          {problem.detail}
        </p>
      )}
      <button type="submit" className="btn btn-primary justify-self-start" disabled={busy}>
        Write it down
      </button>
    </form>
  );
}
