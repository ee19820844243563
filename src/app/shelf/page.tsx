import type { Metadata } from "next";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { ShelfView } from "@/ui/shelf/ShelfView";

export const metadata: Metadata = { title: "Shelf" };

export default function ShelfPage() {
  const shelf = server.getShelf();
  return shelf.ok ? <ShelfView shelf={shelf.value} /> : <TroublePage problem={shelf.problem} />;
}
