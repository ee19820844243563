import type { Metadata } from "next";
import * as server from "@/server";
import { BenchBoard } from "@/ui/bench/BenchBoard";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Bench" };

export default function BenchPage() {
  return withModel(
    (m) => server.getBenchScreen(m.id),
    (_model, screen) => sent(BenchBoard, { screen }),
  );
}
