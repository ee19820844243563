import type { Metadata } from "next";
import * as server from "@/server";
import { PrintCard } from "@/ui/plan/PrintCard";
import { withModel } from "../../current";
import { sent } from "../../sent";

export const metadata: Metadata = { title: "Print card" };

export default function CardPage() {
  return withModel(
    (m) => server.getPlanScreen(m.id),
    (model, screen) => sent(PrintCard, { screen, modelName: model.name }),
  );
}
