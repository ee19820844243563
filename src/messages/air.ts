import type { AirNow, LocalAirCard, Weather } from "@/contracts";
import type { Provenance } from "@/core/film";

export const PROVENANCE_NAME: Readonly<Record<Provenance, string>> = {
  measured: "measured",
  forecast: "forecast",
  assumed: "typical day (assumed)",
};

export const WEATHER_NAME: Readonly<Record<Weather, string>> = {
  "as-expected": "as expected",
  "cold-snap": "cold snap, 6 ∆°C below",
  "heater-on": "heater on, 6 ∆°C above",
  "damp-spell": "damp spell",
  fog: "fog",
};

/** Kinds of product whose open hours are told apart. */
export const KIND_NAME: Readonly<Record<string, string>> = {
  water: "Water-borne paints and primers",
  varnish: "Water-borne sealers and varnish",
  lacquer: "Lacquers and lacquer primers",
  enamel: "Enamels",
  etch: "Etch primer",
  "two-part": "Two-part coatings",
  shellac: "Shellac",
};

export const LOCAL_NAME: Readonly<Record<LocalAirCard["kind"], string>> = {
  "warm-box": "in a warm box",
  booth: "in a booth",
  "brought-in": "brought in cold or warm",
};

export const airSourceText = (a: AirNow): string =>
  a.source ?? (a.from === "forecast" ? "forecast" : a.from === "measured" ? "between readings" : "typical day");
