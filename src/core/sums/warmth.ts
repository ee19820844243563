import { REFERENCE_AIR, rateIn } from "../film";
import { MATERIALS, PROPELLANTS, WETTINGS } from "../model";
import { heatLimitC } from "../policy";
import {
  CAN_MAX_C,
  canBathMin,
  canPressureFactor,
  DEW_MARGIN_C,
  dewPointC,
  materialFacts,
  partDryMin,
  saturationHPa,
  WARM_UP_MIN,
  warmingMin,
} from "../reference";
import { asked, choice, figure, line, maybe, num, sum, when, YES_NO } from "./types";

const TEMP = num("°C", -20, 45, 20);
const HUMIDITY = num("% RH", 1, 100, 50);
const PERCENT = 100;

export const warmCan = sum({
  formula: "t = τ × ln((water − from) ÷ (water − to)); τ = 12 min × (size ÷ 400 ml)^⅓",
  source: "Newton’s law of cooling; τ (est.); pressure: Clausius–Clapeyron",
  inputs: {
    packMl: num("ml", 20, 1000, 400),
    fromC: num("°C", -20, 44, 10),
    toC: num("°C", 15, CAN_MAX_C, 28),
    propellant: choice(PROPELLANTS, "liquefied-gas"),
  },
  run: ({ packMl, fromC, toC, propellant }) => ({
    lines: [
      line("min", canBathMin({ packMl }, toC, fromC), "min"),
      line("pressurePct", PERCENT * (canPressureFactor(propellant, fromC, Math.max(fromC, toC)) - 1), "%"),
    ],
    notes: [...when(toC <= fromC, "warm-enough"), "never-hotter", "shake"],
  }),
});

export const warmPart = sum({
  formula: "t = τ × ln((box − from) ÷ (box − to)); it cools by the same law",
  source: "Newton’s law of cooling; a part is through after three τ (est.)",
  inputs: {
    material: choice(MATERIALS, "petg"),
    fromC: { ...TEMP, usual: 8 },
    boxC: num("°C", 10, 80, 35),
    toC: num("°C", 5, 80, 25),
    roomC: { ...TEMP, usual: 12 },
    rhPct: { ...HUMIDITY, usual: 70 },
    stayAboveC: maybe("°C", -20, 80),
  },
  run: ({ material, fromC, boxC, toC, roomC, rhPct, stayAboveC }) => {
    const tauMin = WARM_UP_MIN[materialFacts(material).group] / 3;
    const reachMin = warmingMin(fromC, toC, boxC, tauMin);
    const limitC = heatLimitC([{ material }]);
    const dewC = dewPointC(roomC, rhPct);
    const floorC = stayAboveC ?? dewC + DEW_MARGIN_C;
    const staysMin = floorC <= roomC ? null : toC <= floorC ? 0 : tauMin * Math.log((toC - roomC) / (floorC - roomC));
    return {
      lines: [
        line("reachMin", Number.isFinite(reachMin) ? reachMin : null, "min"),
        line("staysMin", staysMin, "min"),
        line("limitC", limitC, "°C"),
        line("dewC", dewC, "°C"),
      ],
      notes: [
        ...when(!Number.isFinite(reachMin), "box-too-cool"),
        ...when(limitC !== null && boxC > limitC, "too-hot"),
        ...when(fromC < dewC, "dew"),
        ...when(staysMin === null, "stays"),
      ],
    };
  },
});

/** A free jet of air stays as it left for so many nozzle widths, then falls with the distance (est.; free round jets, 4.5 to 6). */
const JET_CORE_WIDTHS = 5;
/** The scale of a dial is so far off, as a share of what it shows above the room (est.). */
const DIAL_OFF = 0.2;
const MM_PER_CM = 10;

export const gun = sum({
  formula:
    "at the part = room + (dial − room) × min(1, 5 × nozzle ÷ distance); nearest = 5 × nozzle × 1.2 × (dial − room) ÷ (limit − room)",
  source: "decay of a free round jet; a dial a fifth off (est.)",
  inputs: {
    material: choice(MATERIALS, "petg"),
    dialC: num("°C", 30, 650, 90),
    nozzleMm: num("mm", 5, 100, 35),
    distanceCm: num("cm", 1, 200, 30),
    roomC: { ...TEMP, usual: 12 },
  },
  run: ({ material, dialC, nozzleMm, distanceCm, roomC }) => {
    const limitC = heatLimitC([{ material }]);
    const hotter = Math.max(0, dialC - roomC);
    const coreCm = (JET_CORE_WIDTHS * nozzleMm) / MM_PER_CM;
    const jetC = roomC + hotter * Math.min(1, coreCm / distanceCm);
    // within the core it is as hot as it leaves, however near
    const over = limitC === null ? 0 : ((1 + DIAL_OFF) * hotter) / (limitC - roomC);
    const nearestCm = limitC === null || limitC <= roomC ? null : over <= 1 ? 0 : coreCm * over;
    return {
      lines: [line("jetC", jetC, "°C"), line("limitC", limitC, "°C"), line("nearestCm", nearestCm, "cm")],
      notes: [
        ...when(limitC !== null && roomC + (1 + DIAL_OFF) * (jetC - roomC) > limitC, "too-near"),
        "keep-moving",
        "never-wet",
      ],
    };
  },
});

/** What a wall lets through, W/m²K (est.). */
const WALL_W_M2K = { "card box": 2.5, "foam box": 0.8, "wooden cabinet": 1.8 } as const;
const WALLS = ["card box", "foam box", "wooden cabinet"] as const;
const LAWS = ["wipe", "part-dry", "reaction", "oxidation", "hardening"] as const;

export const box = sum({
  formula: "an hour in the box = the box’s rate ÷ the room’s, hours; W·h = U × surface × ΔT × hours",
  source: "rates as in the film model; vapour stays as it is, so the warmed air is drier; U (est.)",
  inputs: {
    boxC: num("°C", 10, 60, 32),
    roomC: { ...TEMP, usual: 10 },
    rhPct: { ...HUMIDITY, usual: 70 },
    hours: num("h", 0.1, 240, 8),
    litres: num("l", 1, 2000, 60),
    wall: choice(WALLS, "card box"),
    material: choice(MATERIALS, "petg"),
  },
  run: ({ boxC, roomC, rhPct, hours, litres, wall, material }) => {
    const room = { ...REFERENCE_AIR, tempC: roomC, rhPct };
    const drier = Math.min(PERCENT, (rhPct * saturationHPa(roomC)) / saturationHPa(boxC));
    const warm = { ...REFERENCE_AIR, tempC: boxC, rhPct: drier };
    const surfaceM2 = 6 * (litres / 1000) ** (2 / 3);
    const limitC = heatLimitC([{ material }]);
    return {
      lines: [
        line("rhPct", drier, "% RH"),
        line("watts", Math.max(0, WALL_W_M2K[wall] * surfaceM2 * (boxC - roomC)), "W"),
        line("wattHours", Math.max(0, WALL_W_M2K[wall] * surfaceM2 * (boxC - roomC) * hours), "W·h"),
        line("limitC", limitC, "°C"),
      ],
      table: {
        columns: [
          { id: "what", unit: "" },
          { id: "factor", unit: "×" },
          { id: "roomH", unit: "h" },
        ],
        rows: LAWS.map((law) => {
          const factor = rateIn(law, warm) / rateIn(law, room);
          return [{ kind: "word", word: law }, figure(factor), figure(factor * hours)];
        }),
      },
      notes: [...when(limitC !== null && boxC > limitC, "too-hot"), ...when(boxC <= roomC, "no-warmer"), "fire"],
    };
  },
});

/** In air damper than this hardly any water leaves a part, % RH (est.). */
const DAMP_RH_PCT = 85;

export const dryPart = sum({
  formula: "t = minutes at 20 °C, 50 %, ÷ how thirsty the air is against that",
  source: "vapour pressure deficit; minutes (est.)",
  inputs: {
    material: choice(MATERIALS, "petg"),
    how: choice(WETTINGS, "rinse"),
    joints: choice(YES_NO, "no"),
    blownOut: choice(YES_NO, "no"),
    covered: choice(YES_NO, "no"),
    tempC: { ...TEMP, usual: 12 },
    rhPct: { ...HUMIDITY, usual: 70 },
    airflowMS: num("m/s", 0, 10, 0.1),
  },
  run: ({ material, how, joints, blownOut, covered, tempC, rhPct, airflowMS }) => {
    const rate = rateIn("part-dry", { tempC, rhPct, airflowMS });
    const isCovered = covered === "yes";
    const inJoints = joints === "yes";
    const faceMin = partDryMin("brass-copper", how, false) / rate;
    const bodyMin = partDryMin(material, how, false, isCovered) / rate;
    const allMin = partDryMin(material, how, inJoints, isCovered, blownOut === "yes") / rate;
    return {
      lines: [line("faceMin", faceMin, "min"), line("bodyMin", bodyMin, "min"), line("allMin", allMin, "min")],
      notes: [
        ...when(inJoints && blownOut === "no", "blow-out"),
        ...when(rhPct > DAMP_RH_PCT, "damp"),
        ...when(materialFacts(material).porous && !isCovered, "soaks"),
      ],
    };
  },
});

export const dew = sum({
  formula: "Td = B × g ÷ (A − g), g = ln(RH) + A × T ÷ (B + T)",
  source: "Magnus, WMO; 3 °C of margin by ISO 8502-4",
  inputs: { tempC: asked("°C", -20, 60), rhPct: asked("% RH", 1, 100), partC: maybe("°C", -20, 80) },
  run: ({ tempC, rhPct, partC }) => {
    const dewC = dewPointC(tempC, rhPct);
    const marginC = (partC ?? tempC) - dewC;
    return {
      lines: [line("dewC", dewC, "°C"), line("marginC", marginC, "∆°C")],
      notes: [
        ...when(marginC < 0, "wet"),
        ...when(marginC >= 0 && marginC < DEW_MARGIN_C, "close"),
        ...when(marginC >= DEW_MARGIN_C, "clear"),
      ],
    };
  },
});
