import type { ReactNode } from "react";
import type { ModelHead, Outcome } from "@/contracts";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { Welcome } from "@/ui/components/Welcome";

/** A page about the model on the bench: welcome when there is none, trouble told when the data cannot be read. */
export function withModel<T>(
  load: (model: ModelHead) => Outcome<T>,
  show: (model: ModelHead, value: T) => ReactNode,
): ReactNode {
  const models = server.getModels();
  if (!models.ok) return <TroublePage problem={models.problem} />;
  const { current } = models.value;
  if (!current) return <Welcome />;
  const loaded = load(current);
  return loaded.ok ? show(current, loaded.value) : <TroublePage problem={loaded.problem} />;
}
