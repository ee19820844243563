import type { Metadata } from "next";
import * as server from "@/server";
import { ColourView } from "@/ui/colour/ColourView";
import { EmptyPlace } from "@/ui/components/Welcome";
import { withModel } from "../current";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Colour" };

export default async function ColourPage({ searchParams }: { searchParams: Promise<{ region?: string }> }) {
  const { region } = await searchParams;
  return withModel(
    (m) => server.getColourScreen(m.id, region ?? null),
    (_model, screen) =>
      screen.chosen ? (
        sent(ColourView, { screen, chosen: screen.chosen }, screen.chosen.regionId)
      ) : (
        <EmptyPlace
          title="No parts yet"
          text="A colour scheme lies on a face of a part. Name a part and choose its material first."
          href="/parts?add=part"
          action="Add a part"
        />
      ),
  );
}
