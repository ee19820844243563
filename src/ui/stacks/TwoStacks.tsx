import Link from "next/link";
import type { StackView } from "@/contracts";
import { materialFacts } from "@/core/reference";
import { MATERIAL_NAME, reasonText } from "@/messages";
import { VerdictMark } from "../components/VerdictMark";
import { filmsOf, pileText } from "../section/pile";
import { Section } from "../section/Section";
import { Totals } from "./Totals";

/** Two piles side by side: drawn to scale, summed up, and with what is to mind in each. */
export function TwoStacks({
  pair,
  nowMin,
  timeZone,
}: {
  pair: readonly [StackView, StackView];
  nowMin: number;
  timeZone: string;
}) {
  const [one, other] = pair.map((v) => v.chosen.node.region.id);
  return (
    <div className="grid content-start gap-3">
      <div className="flex flex-wrap items-baseline gap-4">
        <h1 className="text-xl font-bold">Two stacks side by side</h1>
        <Link className="btn btn-sm" href={`/stacks?region=${one}`}>
          Back to one
        </Link>
        <Link className="btn btn-sm" href={`/stacks?region=${other}&beside=${one}`}>
          Swap them
        </Link>
      </div>
      <div className="grid items-start gap-6 lg:grid-cols-2">
        {pair.map((view) => (
          <OneOfTwo key={view.chosen.node.region.id} view={view} nowMin={nowMin} timeZone={timeZone} />
        ))}
      </div>
    </div>
  );
}

function OneOfTwo({ view, nowMin, timeZone }: { view: StackView; nowMin: number; timeZone: string }) {
  const { node, partName, answer } = view.chosen;
  const { region, stack } = node;
  const productOf = (id: string) => view.products.find((p) => p.id === id)!;
  const known = region.material !== null && region.material !== "unknown";
  const materialName = region.material ? MATERIAL_NAME[region.material] : "material not given";
  const judged = answer.outcome === "judged" ? answer : null;
  const minded = judged?.verdicts.filter((v) => v.verdict !== "ok") ?? [];
  const ground = { materialName, ridgeUm: region.ridgeUm, detailUm: region.detailUm };
  return (
    <section className="grid gap-3" aria-label={`${partName}, ${region.name}`}>
      <h2 className="text-lg font-bold">
        {partName}, {region.name} {judged && <VerdictMark verdict={judged.worst} />}
      </h2>
      <Section
        films={judged ? filmsOf(stack, productOf, judged) : []}
        group={known ? materialFacts(region.material).group : null}
        {...ground}
      />
      <Totals view={view} nowMin={nowMin} timeZone={timeZone} />
      {judged && (
        <ol className="grid gap-1 text-sm" aria-label="Layers, top first">
          {pileText(stack, productOf, judged, ground).map((line) => (
            <li key={line}>{line}</li>
          ))}
        </ol>
      )}
      {minded.length > 0 && (
        <ul className="grid gap-1">
          {minded.map((v) => (
            <li key={v.key} className="flex items-start gap-2">
              <VerdictMark verdict={v.verdict} />
              {reasonText(v.code, v.missing)}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}
