"use client";

import { Pencil, Printer } from "lucide-react";
import Link from "next/link";
import { saveProductAction } from "@/actions/shelf";
import type { CouponCard, LessonView, ShelfItem, TaughtView, UsedView } from "@/contracts";
import type { Confirmable, Product } from "@/core/model";
import { isTypical, trustedFigure, unconfirmed } from "@/core/reference";
import { dateShown, volumeText } from "@/format";
import { FIGURE_NAME, JAR_NAME, RESULT_NAME, safetyLine, sumsOf } from "@/messages";
import { EvidenceMark } from "../components/EvidenceMark";
import { SumLinks } from "../components/SumLinks";
import { useAct } from "../hooks/useAct";
import { LessonLine } from "../mishap/LessonLine";
import { InThisShed } from "../taught/InThisShed";
import { Claims } from "./Claims";
import { Confirm } from "./Confirm";
import { isLow, isOld } from "./facets";
import { factRows, figuresOf, figureText, filledIn } from "./figures";
import { RecipeBox } from "./RecipeBox";

/** Everything known of a product, each figure with what it rests on, where it is used and what was tried with it. */
export function ProductCard({
  item,
  coupons,
  lessons,
  taught,
  used,
  today,
  paints,
  edit,
}: {
  item: ShelfItem;
  coupons: readonly CouponCard[];
  lessons: readonly LessonView[];
  taught: TaughtView | null;
  used: UsedView | null;
  today: string;
  /** colours of the shelf beside this one */
  paints: readonly { readonly id: string; readonly name: string }[];
  edit: () => void;
}) {
  const { product: p } = item;
  const tried = coupons.filter((c) => c.layers.some((l) => l.productId === p.id));
  return (
    <div className="grid gap-3 pb-4">
      <div className="flex items-center gap-3">
        <span
          className="size-12 rounded-box border border-base-content/40"
          style={{ background: p.colour }}
          aria-hidden
        />
        <span className="flex-1">
          <span className="soft block">{p.maker || "maker not given"}</span>
          {p.owned === false && <span className="font-semibold text-warning">to buy: not on the shelf</span>}
        </span>
        <Link className="btn btn-ghost btn-sm" href={`/shelf/labels?product=${p.id}`}>
          <Printer className="size-4" aria-hidden />
          Label
        </Link>
        <button type="button" data-next className="btn btn-sm" onClick={edit}>
          <Pencil className="size-4" aria-hidden />
          Edit
        </button>
      </div>
      {p.photo && (
        // biome-ignore lint/performance/noImgElement: comes from the local database, at its own size
        <img src={`/api/v1/photos/${p.photo}`} alt={`Label of ${p.name}`} className="max-h-56 rounded-box" />
      )}
      <LessonLine lessons={lessons} about={{ productId: p.id, anyBelow: true }} />
      {p.jar && <Kind item={item} />}
      <Stock p={p} used={used} today={today} />
      <Figures p={p} />
      {taught && <InThisShed taught={taught} productId={p.id} />}
      {p.recipe && <RecipeBox key={item.rev} item={item} recipe={p.recipe} paints={paints} />}
      <Claims item={item} />
      <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5">
        {factRows(p).map(([name, words, path]) => (
          <div key={name} className="contents">
            <dt className="soft">{name}</dt>
            <dd>
              {words} {path && isTypical(p, path) && <EvidenceMark source="typical" words />}
            </dd>
          </div>
        ))}
      </dl>
      {p.note && <p className="rounded-box bg-base-200 p-3 whitespace-pre-line">{p.note}</p>}
      <p className="text-sm font-semibold">{safetyLine(p)}</p>
      <SumLinks ids={sumsOf(p)} product={p.id} />
      <section>
        <h3 className="font-bold">Used in</h3>
        {item.places.length === 0 ? (
          <p className="soft">no stack yet</p>
        ) : (
          <ul className="list-disc pl-5">
            {item.places.map((place) => (
              <li key={place.regionId}>
                <Link className="link" href={`/stacks?region=${place.regionId}`}>
                  {place.name}
                </Link>
              </li>
            ))}
            {item.placeCount > item.places.length && (
              <li className="soft">and {item.placeCount - item.places.length} more</li>
            )}
          </ul>
        )}
      </section>
      {tried.length > 0 && (
        <section>
          <h3 className="font-bold">Coupons</h3>
          <ul className="list-disc pl-5">
            {tried.map((c) => (
              <li key={c.id}>
                <Link className="link" href={`/coupons?coupon=${c.id}`}>
                  {c.name}
                </Link>
                : {c.result ? RESULT_NAME[c.result] : "not tested yet"}
              </li>
            ))}
          </ul>
        </section>
      )}
    </div>
  );
}

/** What the card took from its kind of jar, and what is still to be read off the label. */
function Kind({ item }: { item: ShelfItem }) {
  const { act, busy } = useAct();
  const p = item.product;
  const save = (confirmed: readonly Confirmable[]) =>
    void act(() => saveProductAction(item.rev, { ...p, confirmed: [...confirmed] }));
  return (
    <>
      <p className="text-sm">
        Begun as <strong>{JAR_NAME[p.jar!]}</strong>: what is marked typical is what such jars usually say.
      </p>
      <Confirm jar={p.jar!} ask={unconfirmed(p)} confirmed={p.confirmed ?? []} set={save} busy={busy} />
    </>
  );
}

/** Figures with their evidence; a stronger claim than the card's own stands in for it. */
function Figures({ p }: { p: Product }) {
  return (
    <table className="w-full">
      <thead className="sr-only">
        <tr>
          <th scope="col">Figure</th>
          <th scope="col">Value</th>
          <th scope="col">Rests on</th>
        </tr>
      </thead>
      <tbody>
        {figuresOf(p).map((f) => {
          const best = trustedFigure(p, f);
          const filled = best === null ? filledIn(p, f) : null;
          return (
            <tr key={f} className="border-b border-base-300">
              <th scope="row" className="py-1 text-left font-normal">
                {FIGURE_NAME[f]}
              </th>
              <td className="py-1 text-right font-semibold">
                {best ? figureText(f, best.value) : filled === null ? "–" : figureText(f, Math.round(filled))}
              </td>
              <td className="py-1 pl-3">
                <EvidenceMark source={best?.source ?? "assumed"} words />
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

function Stock({ p, used, today }: { p: Product; used: UsedView | null; today: string }) {
  const share = p.packMl && p.leftMl !== null ? Math.min(1, p.leftMl / p.packMl) : null;
  const rows: readonly (readonly [string, string | null])[] = [
    ["Left", p.leftMl === null ? null : `${volumeText(p.leftMl)}${p.packMl ? ` of ${volumeText(p.packMl)}` : ""}`],
    ["Price of a pack", p.price == null ? null : String(p.price)],
    ...(p.price == null || !p.packMl ? [] : [["A millilitre", (p.price / p.packMl).toFixed(3)] as const]),
    ["Opened", p.openedOn ? dateShown(p.openedOn) : null],
    ["Use by", p.useBy ? dateShown(p.useBy) : null],
  ];
  return (
    <div className="rounded-box bg-base-200 p-3">
      {share !== null && (
        <div className="mb-2 h-3 rounded-full border border-base-content/50" aria-hidden>
          <div className="h-full rounded-full bg-secondary" style={{ width: `${share * 100}%` }} />
        </div>
      )}
      <dl className="grid grid-cols-[auto_1fr_auto_1fr] gap-x-3">
        {rows.map(([name, value]) => (
          <div key={name} className="contents">
            <dt className="soft">{name}</dt>
            <dd className="font-semibold">{value ?? <span className="text-warning">not given</span>}</dd>
          </div>
        ))}
      </dl>
      {used && <p className="mt-1 text-sm">{usedText(used, p.leftMl)}</p>}
      {isLow(p) && <p className="font-semibold text-warning">Nearly empty.</p>}
      {isOld(p, today) && (
        <p className="font-semibold text-warning">Past its date: try it on a scrap before you trust it.</p>
      )}
    </div>
  );
}

/** What was used of it so far, and for how many faces like those the rest is. */
function usedText({ coats, faces, models, ml, reckoned }: UsedView, leftMl: number | null): string {
  const of = (n: number, what: string) => `${n} ${what}${n === 1 ? "" : "s"}`;
  const so = `Used so far: ${of(coats, "coat")} on ${of(faces, "face")} of ${of(models, "model")}, ${reckoned ? "about " : ""}${volumeText(Math.round(ml * 10) / 10)}.`;
  const more = leftMl === null || ml <= 0 || leftMl <= 0 ? 0 : Math.floor(leftMl / (ml / faces));
  return more > 0 ? `${so} What is left is about ${of(more, "such face")} more.` : so;
}
