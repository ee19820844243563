"use client";

import { Search } from "lucide-react";
import { type ReactNode, useRef } from "react";
import type { JudgedRegion, StackView } from "@/contracts";
import type { PlacedVerdict } from "@/core/judge";
import { shifted } from "@/core/mishap/shift";
import type { MaterialGroup, Product, Stack, Zone } from "@/core/model";
import { FILM_ROLES, HELPER_ROLES, isOneOf, placeOf, plainLayer } from "@/core/model";
import { materialFacts, unconfirmed } from "@/core/reference";
import { relativeDay } from "@/format";
import { MATERIAL_NAME, missingText, PREP_NAME, RESULT_NAME } from "@/messages";
import { Apart } from "../components/Apart";
import { Saved } from "../components/Saved";
import { VerdictMark } from "../components/VerdictMark";
import { PlanTrials } from "../coupons/PlanTrials";
import { offerUndo } from "../hooks/useAct";
import { useAddress } from "../hooks/useAddress";
import { LessonLine, lessonsFor } from "../mishap/LessonLine";
import { SwapHere } from "../mishap/SwapHere";
import { filmsOf, pileText } from "../section/pile";
import { Section, seamHeights } from "../section/Section";
import { AddLayer } from "./AddLayer";
import { Beside } from "./Beside";
import { CopyStack } from "./CopyStack";
import { Fillers } from "./Fillers";
import { LayerCard } from "./LayerCard";
import { Leaders } from "./Leaders";
import { LiesOtherwise } from "./LiesOtherwise";
import { freshLayerId } from "./layers";
import { Preparation } from "./Preparation";
import { arrayMove, SortableLayer, SortablePile } from "./SortablePile";
import { Totals } from "./Totals";
import { type ChangeStack, useStack } from "./useStack";
import { Verdicts, type VerdictTools } from "./Verdicts";

type Judged = Extract<JudgedRegion["answer"], { outcome: "judged" }>;

/** Layers of one region, top first, each seam judged between its two cards, level with the drawing. */
export function StackEditor({
  view,
  regions,
  products,
  nowMin,
  timeZone,
}: {
  view: StackView;
  regions: readonly JudgedRegion[];
  products: readonly Product[];
  nowMin: number;
  timeZone: string;
}) {
  const { node, answer } = view.chosen;
  const { region, stack } = node;
  const byId = new Map([...view.products, ...products].map((p) => [p.id, p]));
  const productOf = (id: string) => byId.get(id)!;
  const { change, carryOut, savedMs, shown } = useStack(region.id, stack, node.stackRev);
  const tools: VerdictTools = {
    regionId: region.id,
    reasons: new Map(node.overrides.map((o) => [o.key, o.reason])),
    carryOut,
    nameOf: (id) => byId.get(id)?.name,
    unreadCard: (layer) => {
      const product = stack.layers[layer] && byId.get(stack.layers[layer].productId);
      return product && unconfirmed(product).includes("carriers") ? product.id : null;
    },
  };
  const films = answer.outcome === "judged" ? filmsOf(stack, productOf, answer, view.totals.shares) : [];
  const list = useRef<HTMLDivElement>(null);
  const material = region.material === null || region.material === "unknown" ? null : materialFacts(region.material);
  return (
    <div className="grid content-start gap-3">
      <EditorHead view={view} regions={regions} products={products} savedMs={savedMs} />
      {view.liesAs && (
        <LiesOtherwise
          differences={view.liesAs.differences}
          productOf={productOf}
          take={() => void change(() => view.liesAs!.stack)}
        />
      )}
      {view.mended.length > 0 && <Mended mended={view.mended} productOf={productOf} stack={stack} />}
      <LessonLine
        lessons={view.lessons}
        about={{
          material: region.material,
          productId: stack.layers.at(-1)?.productId ?? null,
          belowId: stack.layers.at(-2)?.productId ?? null,
        }}
      />
      <div className="relative grid items-start gap-x-12 gap-y-3 xl:grid-cols-[330px_minmax(0,1fr)]">
        <div className="order-last grid gap-3 xl:order-none">
          <Apart what="The section">
            <Section
              films={films}
              group={material?.group ?? null}
              materialName={region.material ? MATERIAL_NAME[region.material] : "material not given"}
              ridgeUm={region.ridgeUm}
              detailUm={region.detailUm}
            />
          </Apart>
          {answer.outcome === "judged" && films.length > 0 && (
            <details>
              <summary className="cursor-pointer">The section in words</summary>
              <ul className="mt-1 grid gap-1 text-sm">
                {pileText(stack, productOf, answer, {
                  materialName: region.material ? MATERIAL_NAME[region.material] : "",
                  ridgeUm: region.ridgeUm,
                  detailUm: region.detailUm,
                }).map((line) => (
                  <li key={line}>{line}</li>
                ))}
              </ul>
            </details>
          )}
          {view.near.length > 0 && <NearCoupons near={view.near} />}
          <Totals view={view} nowMin={nowMin} timeZone={timeZone} />
        </div>
        <div ref={list} className="grid gap-2">
          <Preparation
            stack={shown}
            materialName={region.material ? MATERIAL_NAME[region.material] : null}
            maxC={material?.group === "metal" ? null : (material?.dryHeatMaxC ?? null)}
            ready={view.ready}
            shelf={products}
            change={change}
          />
          {view.fillers.map(({ at, zone, depthUm, choices }) => (
            <Fillers
              key={zone ?? ""}
              fillers={choices}
              zone={zone}
              over={at === 0 ? null : (productOf(shown.layers[at - 1]?.productId ?? "")?.name ?? null)}
              productOf={(id) => products.find((p) => p.id === id)}
              put={({ productId, skins }) =>
                void change((s) => ({
                  ...s,
                  layers: s.layers.toSpliced(at, 0, {
                    ...plainLayer(freshLayerId(), productId),
                    coats: skins,
                    depthUm,
                    ...(zone === null ? {} : placeOf({ name: zone })),
                  }),
                }))
              }
            />
          ))}
          <AddLayer
            products={products.filter((p) => isOneOf(FILM_ROLES)(p.role) || isOneOf(HELPER_ROLES)(p.role))}
            add={(productId) =>
              change((s) => {
                const own = lessonsFor(view.lessons, { productId, anyBelow: true }).map((l) => l.shift);
                const layer = shifted(plainLayer(freshLayerId(), productId), own, productOf(productId));
                return { ...s, layers: [...s.layers, layer] };
              })
            }
          />
          {answer.outcome === "incomplete" ? (
            <p role="alert" className="rounded-box border-2 border-warning p-3 text-lg">
              Not judged: {missingText(answer.missing)} is missing.{" "}
              <a className="link" href="/parts">
                Choose it under Parts
              </a>
              ; without it the same layers could be right or ruinous.
            </p>
          ) : (
            <Pile
              answer={answer}
              stack={shown}
              group={material?.group ?? null}
              zones={region.zones ?? []}
              productOf={productOf}
              regionId={node.region.id}
              shelf={products}
              change={change}
              tools={tools}
              shares={view.totals.shares}
              guides={view.guides}
              swapHere={(layerId, productId) => (
                <SwapHere
                  of={byId.get(productId)?.name ?? ""}
                  regionId={region.id}
                  layerId={layerId}
                  nameOf={(id) => byId.get(id)?.name}
                  colourOf={(id) => byId.get(id)?.colour}
                  nowMin={nowMin}
                  timeZone={timeZone}
                />
              )}
              gapText={(layerId) => {
                const gap = view.totals.gaps.find((g) => g.layerId === layerId);
                if (!gap) return null;
                const at = (min: number) => relativeDay(min, nowMin, timeZone);
                return `Forbidden gap, laid as this part alone would be: ${at(gap.fromMin)} to ${at(gap.toMin)} (estimate).`;
              }}
            />
          )}
          <div className="px-2.5 py-1" data-seam="0">
            {answer.outcome === "judged" && (
              <Verdicts list={answer.verdicts.filter((v) => v.where.kind === "region")} tools={tools} />
            )}
            <p className="soft mt-1 border-t-2 border-dashed border-secondary/60 pt-1 text-sm">
              The bare face
              {shown.prep.length === 0
                ? ", nothing done to it first."
                : `, got ready: ${shown.prep.map((step) => PREP_NAME[step].toLowerCase()).join(", ")}.`}
            </p>
          </div>
        </div>
        {films.length > 0 && <Leaders seamsPx={seamHeights(films)} seams={films.map((f) => f.seam)} list={list} />}
      </div>
    </div>
  );
}

/** What mends put in: it lies there, or is to, and is the log's. */
function Mended({
  mended,
  productOf,
  stack,
}: {
  mended: StackView["mended"];
  productOf: (id: string) => Product | undefined;
  stack: Stack;
}) {
  const name = (id: string) => productOf(id)?.name ?? "a product gone since";
  const overName = (over: string | null) => {
    const own = stack.layers.find((l) => l.id === over);
    return own ? `over ${name(own.productId)}` : over === null ? "on the bare face" : "over an earlier mend";
  };
  return (
    <div className="rounded-box bg-base-200 p-3">
      <h3 className="font-bold">Mended</h3>
      <ul className="list-disc pl-5">
        {mended.map(({ over, layer }) => (
          <li key={layer.id}>
            {name(layer.productId)}
            {layer.places?.length
              ? ` on ${layer.places.join(", ")}`
              : typeof layer.spot === "number"
                ? " on a spot"
                : ""}
            , {layer.coats} coat{layer.coats > 1 ? "s" : ""}, {overName(over)}
          </li>
        ))}
      </ul>
      <p className="soft text-sm">Of the log, beside the pile below: the plan judges it, waits for it and counts it.</p>
    </div>
  );
}

/** Trials close to this pile: worth a look, never applied. */
function NearCoupons({ near }: { near: StackView["near"] }) {
  return (
    <div className="rounded-box bg-base-200 p-3">
      <h3 className="font-bold">Trials close to this pile</h3>
      <ul className="list-disc pl-5">
        {near.map((c) => (
          <li key={c.id}>
            <a className="link" href={`/coupons?coupon=${c.id}`}>
              {c.name}
            </a>
            : {RESULT_NAME[c.result]}
          </li>
        ))}
      </ul>
      <p className="soft text-sm">A hint only: other layers, fewer coats or not yet tested through.</p>
    </div>
  );
}

function Pile({
  answer,
  stack,
  group,
  zones,
  productOf,
  shelf,
  regionId,
  change,
  tools,
  shares,
  guides,
  gapText,
  swapHere,
}: {
  answer: Judged;
  stack: Stack;
  group: MaterialGroup | null;
  zones: readonly Zone[];
  productOf: (id: string) => Product;
  shelf: readonly Product[];
  regionId: string;
  change: ChangeStack;
  tools: VerdictTools;
  shares: StackView["totals"]["shares"];
  guides: StackView["guides"];
  gapText: (layerId: string) => string | null;
  swapHere: (layerId: string, productId: string) => ReactNode;
}) {
  const at = (kind: PlacedVerdict["where"]["kind"], i: number) =>
    answer.verdicts.filter((v) => v.where.kind === kind && v.where.layer === i);
  const whole = answer.verdicts.filter((v) => v.where.kind === "stack");
  const order = stack.layers.map((_, i) => i).reverse();
  // the list shows the top layer first, the pile holds the lowest first
  const moved = (from: number, to: number) =>
    void change((s) => ({
      ...s,
      layers: arrayMove([...s.layers], s.layers.length - 1 - from, s.layers.length - 1 - to),
    }));
  const move = (i: number, by: number) => () =>
    void change((s) => {
      const layers = [...s.layers];
      [layers[i], layers[i + by]] = [layers[i + by]!, layers[i]!];
      return { ...s, layers };
    });
  return (
    <>
      {whole.length > 0 && (
        <div className="rounded-box bg-base-200 p-2.5">
          <h3 className="mb-1 text-sm font-bold">The whole pile</h3>
          <Verdicts list={whole} tools={tools} />
        </div>
      )}
      <SortablePile ids={order.map((i) => stack.layers[i]!.id)} moved={moved}>
        {order.map((i) => {
          const layer = stack.layers[i]!;
          const own = [...at("layer", i), ...at("air", i)];
          return (
            <SortableLayer key={layer.id} id={layer.id}>
              {(grip) => (
                <>
                  <LayerCard
                    n={i + 1}
                    layer={layer}
                    product={productOf(layer.productId)}
                    shelf={shelf}
                    group={group}
                    zones={zones}
                    guides={guides[layer.id] ?? []}
                    share={shares[layer.id] ?? 1}
                    dryUm={answer.ledger[i]!.addedUm}
                    change={change}
                    grip={grip}
                    regionId={regionId}
                    moves={{
                      up: i < stack.layers.length - 1 ? move(i, 1) : null,
                      down: i > 0 ? move(i, -1) : null,
                      repeat: () =>
                        void change((s) => ({
                          ...s,
                          layers: s.layers.toSpliced(i + 1, 0, { ...s.layers[i]!, id: freshLayerId() }),
                        })),
                      remove: async () => {
                        const gone = (s: Stack): Stack => ({ ...s, layers: s.layers.filter((l) => l.id !== layer.id) });
                        const putBack = (s: Stack): Stack => ({ ...s, layers: s.layers.toSpliced(i, 0, layer) });
                        if ((await change(gone)) !== null) return;
                        offerUndo(`${productOf(layer.productId).name} taken off`, () => void change(putBack));
                      },
                    }}
                  >
                    {isOneOf(FILM_ROLES)(productOf(layer.productId).role) && swapHere(layer.id, layer.productId)}
                    {gapText(layer.id) !== null && <p className="mt-1 text-sm">{gapText(layer.id)}</p>}
                    {own.length > 0 && (
                      <div className="mt-2 border-t border-base-300 pt-2">
                        <Verdicts list={own} tools={tools} />
                      </div>
                    )}
                  </LayerCard>
                  {i > 0 && (
                    <div className="px-2.5 py-1" data-seam={i}>
                      <Verdicts list={at("seam", i)} tools={tools} />
                    </div>
                  )}
                </>
              )}
            </SortableLayer>
          );
        })}
      </SortablePile>
    </>
  );
}

interface HeadProps {
  readonly view: StackView;
  readonly regions: readonly JudgedRegion[];
  readonly products: readonly Product[];
  readonly savedMs: number | null;
}

/** What the pile is of, and what else can be done with it. */
function EditorHead({ view, regions, products, savedMs }: HeadProps) {
  const { set } = useAddress();
  const { node, partName, answer } = view.chosen;
  const { region } = node;
  const name = `${partName}, ${region.name}`;
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
      <h1 className="flex items-baseline gap-3 text-xl font-bold">
        {name}
        {answer.outcome === "judged" && (
          <span className="text-base xl:hidden">
            <VerdictMark verdict={answer.worst} />
          </span>
        )}
      </h1>
      <button type="button" className="btn btn-primary btn-sm self-center" onClick={() => set({ find: "1" })}>
        <Search className="size-4" aria-hidden />
        Find stacks
      </button>
      <CopyStack regions={regions} from={node} name={name} />
      <Beside regions={regions} regionId={region.id} />
      <PlanTrials regions={regions} products={products} regionId={region.id} />
      <span className="soft">
        {region.material ? MATERIAL_NAME[region.material] : "material not given"} · finish “{region.finish}”
      </span>
      <Saved atMs={savedMs} />
      {view.begun > 0 && (
        <span className="text-sm text-warning">Work on it has begun: what is on the part stays in the pile.</span>
      )}
    </div>
  );
}
