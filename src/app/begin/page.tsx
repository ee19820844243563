import type { Metadata } from "next";
import * as server from "@/server";
import { Begin } from "@/ui/begin/Begin";
import { TroublePage } from "@/ui/components/Trouble";

export const metadata: Metadata = { title: "One part" };

export default function BeginPage() {
  const shelf = server.getShelf();
  if (!shelf.ok) return <TroublePage problem={shelf.problem} />;
  const owned = shelf.value.filter((i) => i.product.owned !== false);
  return <Begin owned={owned.map((i) => i.product.name)} />;
}
