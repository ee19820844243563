import type { Metadata } from "next";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { JarLabels } from "@/ui/shelf/JarLabels";
import { sent } from "../../sent";

export const metadata: Metadata = { title: "Labels" };

type Asked = Promise<{ readonly product?: string | readonly string[] }>;

/** Labels to print: of the products named, or of every mix there is. */
export default async function LabelsPage({ searchParams }: { searchParams: Asked }) {
  const { product } = await searchParams;
  const shelf = server.getShelf();
  if (!shelf.ok) return <TroublePage problem={shelf.problem} />;
  const named = product === undefined ? null : new Set([product].flat());
  const products = shelf.value
    .map((i) => i.product)
    .filter((p) => (named === null ? p.recipe !== undefined : named.has(p.id)));
  return sent(JarLabels, { products });
}
