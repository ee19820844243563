import type { Label, Product } from "@/core/model";

/** The demo shelf. Names and makers are invented; figures are ordinary trade ranges for such products. */

const at20: Pick<Label, "tempC" | "rhPct"> = { tempC: 20, rhPct: 50 };
const label = (wftUm: number, coats: number, times: Partial<Label>): Label => ({
  ...at20, wftUm, coats, gapMin: null, flashMin: null, touchMin: null, handleMin: null, recoat: [], sandableMin: null, tapeSafeMin: null, polishableMin: null, curedMin: null, ...times,
});

const blank: Omit<Product, "id" | "name" | "maker" | "role" | "family" | "carriers" | "method" | "label"> = {
  aliases: [], bite: null, propellant: null, volumeSolids: null, densityGMl: null, colour: "#8d8d88", effect: "solid", sheen: "satin",
  flexible: false, yellowing: false, uvResistant: false, combinedPrimer: false, rustInhibitor: false, mayGoOver: null, maxSkinUm: null,
  hazards: [], limits: { minTempC: 8, maxTempC: 32, maxRhPct: 85 }, potLifeMin: null, leftMl: null, note: "",
};

const QUILL = "Quillmarsh Tins";
const DUNNOCK = "Dunnockshed Supply";
const BRACK = "Brackwend Colour";

const SOLVENT = ["solvent-vapour", "flammable"] as const;

export const DEMO_SHELF: readonly Product[] = [
  { ...blank, id: "foam-sealer", name: "Foam sealer, brush-on", maker: DUNNOCK, aliases: ["barrier coat"], role: "sealer", family: "wb-acrylic-urethane", carriers: ["water"], method: "brush", volumeSolids: 0.36, densityGMl: 1.06, colour: "#dfe3dc", sheen: "satin", flexible: true, leftMl: 420,
    label: label(90, 1, { flashMin: 40, touchMin: 45, handleMin: 120, recoat: [[90, null]], sandableMin: 300, tapeSafeMin: 1440, curedMin: 4320 }) },
  { ...blank, id: "red-stopper", name: "Red stopper", maker: QUILL, aliases: ["glazing putty", "spot putty"], role: "putty", family: "lacquer-putty", carriers: ["ester", "aromatic"], method: "spread", volumeSolids: 0.55, densityGMl: 1.55, colour: "#9c4433", sheen: "matt", mayGoOver: ["primed"], maxSkinUm: 250, hazards: [...SOLVENT], leftMl: 80,
    label: label(300, 1, { flashMin: 15, touchMin: 20, recoat: [[40, null]], sandableMin: 90, curedMin: 1440 }) },
  { ...blank, id: "fairing-putty", name: "Two-tube fairing putty", maker: QUILL, aliases: ["2K filler", "two-pack filler"], role: "putty", family: "epoxy-putty", carriers: [], method: "spread", volumeSolids: 1, densityGMl: 1.7, colour: "#b9b39c", sheen: "matt", mayGoOver: ["bare", "primed"], maxSkinUm: 6000, hazards: ["sensitiser"], potLifeMin: 40, leftMl: 150,
    label: label(1000, 1, { touchMin: 120, handleMin: 180, recoat: [[150, 1440]], sandableMin: 300, curedMin: 1440 }) },
  { ...blank, id: "light-filler", name: "Lightweight bench filler", maker: DUNNOCK, aliases: ["spackle"], role: "putty", family: "gypsum-filler", carriers: ["water"], method: "spread", volumeSolids: 0.6, densityGMl: 0.8, colour: "#eeece4", sheen: "matt", mayGoOver: ["bare", "primed"], maxSkinUm: 2000, leftMl: 300,
    label: label(1000, 1, { touchMin: 60, recoat: [[150, null]], sandableMin: 180, curedMin: 1440 }) },
  { ...blank, id: "etch-green", name: "Wash etch, green", maker: BRACK, aliases: ["acid primer", "self-etch"], role: "primer-etch", family: "pvb-etch", carriers: ["alcohol", "ketone"], method: "airbrush", volumeSolids: 0.14, densityGMl: 0.92, colour: "#7d8a55", sheen: "matt", mayGoOver: ["bare"], hazards: [...SOLVENT, "acid"], limits: { minTempC: 10, maxTempC: 30, maxRhPct: 80 }, leftMl: 110,
    label: label(40, 1, { flashMin: 10, touchMin: 10, handleMin: 20, recoat: [[30, 480]], curedMin: 1440 }) },
  { ...blank, id: "grey-primer", name: "Grey primer, aerosol", maker: BRACK, aliases: ["rattle can primer"], role: "primer", family: "acrylic-lacquer", carriers: ["ester", "aromatic"], propellant: "dimethyl-ether", method: "aerosol", volumeSolids: 0.24, densityGMl: 0.95, colour: "#8a8d8f", sheen: "matt", hazards: [...SOLVENT], limits: { minTempC: 10, maxTempC: 30, maxRhPct: 80 }, leftMl: 260,
    label: label(40, 2, { gapMin: 10, flashMin: 10, touchMin: 12, handleMin: 30, recoat: [[15, null]], sandableMin: 60, tapeSafeMin: 120, curedMin: 1440 }) },
  { ...blank, id: "build-primer", name: "High-build primer, aerosol", maker: BRACK, aliases: ["filler primer"], role: "primer-highbuild", family: "acrylic-lacquer", carriers: ["ester", "aromatic"], propellant: "dimethyl-ether", method: "aerosol", volumeSolids: 0.32, densityGMl: 1.1, colour: "#b7b19a", sheen: "matt", hazards: [...SOLVENT], limits: { minTempC: 10, maxTempC: 30, maxRhPct: 80 }, leftMl: 340,
    label: label(70, 2, { gapMin: 15, flashMin: 15, touchMin: 18, handleMin: 45, recoat: [[20, null]], sandableMin: 120, tapeSafeMin: 240, curedMin: 2880 }) },
  { ...blank, id: "water-primer", name: "Water primer, pale grey", maker: DUNNOCK, role: "primer", family: "wb-acrylic", carriers: ["water", "glycol-ether"], method: "airbrush", volumeSolids: 0.36, densityGMl: 1.18, colour: "#c3c6c4", sheen: "matt", limits: { minTempC: 10, maxTempC: 30, maxRhPct: 80 }, leftMl: 180,
    label: label(40, 1, { flashMin: 15, touchMin: 20, handleMin: 60, recoat: [[30, null]], sandableMin: 180, tapeSafeMin: 720, curedMin: 4320 }) },
  { ...blank, id: "epoxy-primer", name: "Two-pack epoxy primer", maker: QUILL, aliases: ["2K primer"], role: "primer", family: "epoxy-2k", carriers: ["aromatic", "ketone"], method: "airbrush", volumeSolids: 0.5, densityGMl: 1.35, colour: "#a9a58f", sheen: "satin", hazards: [...SOLVENT, "sensitiser"], limits: { minTempC: 12, maxTempC: 30, maxRhPct: 80 }, potLifeMin: 240, leftMl: 200,
    label: label(60, 1, { flashMin: 25, touchMin: 90, handleMin: 240, recoat: [[90, 1440]], sandableMin: 720, tapeSafeMin: 960, curedMin: 10080 }) },
  { ...blank, id: "estuary-blue", name: "Estuary blue", maker: DUNNOCK, role: "colour", family: "wb-acrylic", carriers: ["water", "glycol-ether"], method: "airbrush", volumeSolids: 0.34, densityGMl: 1.15, colour: "#2f5d7c", sheen: "satin", limits: { minTempC: 10, maxTempC: 30, maxRhPct: 80 }, leftMl: 60,
    label: label(35, 2, { gapMin: 20, flashMin: 15, touchMin: 20, handleMin: 60, recoat: [[30, null]], sandableMin: 240, tapeSafeMin: 720, curedMin: 4320 }) },
  { ...blank, id: "seawall-grey", name: "Wet stone grey", maker: DUNNOCK, role: "colour", family: "wb-acrylic", carriers: ["water", "glycol-ether"], method: "brush", volumeSolids: 0.36, densityGMl: 1.2, colour: "#6f716b", sheen: "matt", leftMl: 120,
    label: label(50, 2, { gapMin: 40, flashMin: 25, touchMin: 30, handleMin: 90, recoat: [[45, null]], sandableMin: 300, tapeSafeMin: 960, curedMin: 4320 }) },
  { ...blank, id: "bronze-lacquer", name: "Old bronze lacquer", maker: BRACK, role: "colour", family: "acrylic-lacquer", carriers: ["ester", "ketone"], method: "airbrush", volumeSolids: 0.22, densityGMl: 0.96, colour: "#8f6b36", effect: "metallic", sheen: "satin", hazards: [...SOLVENT], limits: { minTempC: 10, maxTempC: 30, maxRhPct: 75 }, leftMl: 30,
    label: label(30, 2, { gapMin: 10, flashMin: 8, touchMin: 10, handleMin: 30, recoat: [[15, null]], sandableMin: 90, tapeSafeMin: 240, curedMin: 1440 }) },
  { ...blank, id: "lightship-white", name: "Lightship white enamel", maker: QUILL, aliases: ["oil enamel"], role: "colour", family: "alkyd", carriers: ["aliphatic"], method: "brush", volumeSolids: 0.48, densityGMl: 1.2, colour: "#f1efe6", sheen: "gloss", yellowing: true, hazards: [...SOLVENT], leftMl: 90,
    label: label(50, 1, { flashMin: 60, touchMin: 300, handleMin: 960, recoat: [[60, 360], [4320, null]], sandableMin: 2880, tapeSafeMin: 2880, curedMin: 10080 }) },
  { ...blank, id: "water-matt", name: "Water clear, matt", maker: DUNNOCK, role: "clear", family: "wb-acrylic-urethane", carriers: ["water"], method: "airbrush", volumeSolids: 0.32, densityGMl: 1.04, colour: "#f6f5f0", sheen: "matt", flexible: true, uvResistant: true, limits: { minTempC: 10, maxTempC: 30, maxRhPct: 80 }, leftMl: 140,
    label: label(40, 2, { gapMin: 30, flashMin: 20, touchMin: 30, handleMin: 90, recoat: [[60, null]], sandableMin: 360, polishableMin: 2880, tapeSafeMin: 1440, curedMin: 7200 }) },
  { ...blank, id: "lacquer-gloss", name: "Lacquer clear, gloss", maker: BRACK, role: "clear", family: "nc-lacquer", carriers: ["ester", "ketone"], method: "aerosol", propellant: "dimethyl-ether", volumeSolids: 0.2, densityGMl: 0.93, colour: "#f7f1dc", sheen: "gloss", yellowing: true, hazards: [...SOLVENT], limits: { minTempC: 12, maxTempC: 30, maxRhPct: 75 }, leftMl: 280,
    label: label(40, 2, { gapMin: 15, flashMin: 10, touchMin: 15, handleMin: 60, recoat: [[20, null]], sandableMin: 240, polishableMin: 1440, tapeSafeMin: 720, curedMin: 2880 }) },
  { ...blank, id: "grip-promoter", name: "Grip promoter, aerosol", maker: BRACK, aliases: ["adhesion promoter", "plastic primer"], role: "promoter", family: "cpo-promoter", carriers: ["aromatic", "aliphatic"], propellant: "liquefied-gas", method: "aerosol", volumeSolids: 0.05, densityGMl: 0.86, colour: "#e9e4cf", sheen: "satin", flexible: true, hazards: [...SOLVENT], leftMl: 190,
    label: label(20, 1, { flashMin: 5, touchMin: 8, recoat: [[10, 60]], curedMin: 480 }) },
  { ...blank, id: "two-pack-gloss", name: "Two-pack gloss clear", maker: QUILL, aliases: ["2K clear", "urethane clear"], role: "clear", family: "urethane-2k", carriers: ["ester"], method: "spray-gun", volumeSolids: 0.48, densityGMl: 1, colour: "#f8f7f2", sheen: "gloss", uvResistant: true, hazards: [...SOLVENT, "isocyanate"], limits: { minTempC: 14, maxTempC: 30, maxRhPct: 75 }, potLifeMin: 120, leftMl: 500,
    label: label(60, 2, { gapMin: 15, flashMin: 12, touchMin: 60, handleMin: 360, recoat: [[12, 960]], sandableMin: 960, polishableMin: 1440, tapeSafeMin: 960, curedMin: 10080 }) },
];
