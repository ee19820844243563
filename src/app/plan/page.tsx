import type { Metadata } from "next";
import * as server from "@/server";
import { PlanView } from "@/ui/plan/PlanView";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Plan" };

export default function PlanPage() {
  return withModel(
    (m) => server.getPlanScreen(m.id),
    (_model, screen) => sent(PlanView, { screen }),
  );
}
