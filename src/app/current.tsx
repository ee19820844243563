import type { ReactNode } from "react";
import type { ModelHead, Outcome } from "@/contracts";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { Welcome } from "@/ui/components/Welcome";

/** A page about the model on the bench: welcome when there is none, trouble told when the data cannot be read. */
export async function withModel<T>(
  load: (model: ModelHead) => Outcome<T> | Promise<Outcome<T>>,
  show: (model: ModelHead, value: T) => ReactNode,
): Promise<ReactNode> {
  const models = server.getModels();
  if (!models.ok) return <TroublePage problem={models.problem} />;
  const { current } = models.value;
  if (!current) return <Welcome />;
  const loaded = await load(current);
  return loaded.ok ? show(current, loaded.value) : <TroublePage problem={loaded.problem} />;
}
