"use server";

import { headers } from "next/headers";
import * as server from "@/server";

export const addReadingAction = async (input: unknown) => server.addReading(input);
export const removeReadingAction = async (atMs: number, source: string) => server.removeReading(atMs, source);
export const putReadingBackAction = async (reading: unknown) => server.putReadingBack(reading);
export const previewForecastAction = async (text: string, kind: server.ForecastKind) =>
  server.previewForecast(text, kind);
export const importForecastAction = async (text: string, kind: server.ForecastKind) =>
  server.importForecast(text, kind);
export const dropForecastAction = async () => server.dropForecast();
export const standInForecastAction = async (weather: unknown) => server.takeStandInForecast(weather);
export const addLocalAirAction = async (modelId: string, partId: string, input: unknown) =>
  server.addLocalAir(modelId, partId, input);
export const removeLocalAirAction = async (id: string) => server.removeLocalAir(id);
export const putLocalAirBackAction = async (partId: string, card: unknown) => server.putLocalAirBack(partId, card);
export const switchStandInAction = async (wanted: unknown) => {
  const host = (await headers()).get("host") ?? "127.0.0.1";
  return server.turnStandIn(`http://${host}`, wanted);
};
