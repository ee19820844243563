import type { Metadata } from "next";
import * as server from "@/server";
import { TroublePage } from "@/ui/components/Trouble";
import { FilmView } from "@/ui/film/FilmView";
import { sent } from "../sent";

export const metadata: Metadata = { title: "Film" };

export default function FilmPage() {
  const models = server.getModels();
  if (!models.ok) return <TroublePage problem={models.problem} />;
  const screen = server.getFilmScreen(models.value.current?.id ?? null);
  if (!screen.ok) return <TroublePage problem={screen.problem} />;
  return sent(FilmView, { screen: screen.value });
}
