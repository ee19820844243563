import type { Metadata } from "next";
import { isSumId } from "@/contracts";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { SumsView } from "@/ui/sums/SumsView";
import { toldOf } from "@/ui/sums/told";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Sums" };

type Search = Promise<Record<string, string | string[] | undefined>>;

export default async function SumsPage({ searchParams }: { searchParams: Search }) {
  const params = await searchParams;
  const wanted = typeof params.sum === "string" ? params.sum : "";
  const id = isSumId(wanted) ? wanted : "quantities";
  const bare = server.getSum(id, { productId: null, regionId: null, typed: {} });
  if (!bare.ok) return <TroublePage problem={bare.problem} />;
  const told = toldOf(params, bare.value.inputs);
  const screen = server.getSum(id, told);
  if (!screen.ok) return <TroublePage problem={screen.problem} />;
  return sent(SumsView, { screen: screen.value, told }, `${id} ${told.productId} ${told.regionId}`);
}
