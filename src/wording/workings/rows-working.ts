import type { RowSpacing, Rows } from "@/core/geometry";
import { number } from "../format";
import type { Working } from "./working";

/** How the gap between rows came about. */
export const rowsWorking = (rows: Rows, { rowHeightM, gapM }: RowSpacing): Working => ({
  title: "Gap between rows",
  value: number(gapM, 3),
  unit: "m",
  formula: "largest over the window of: row height × cos(sun azimuth − row azimuth) ÷ tan(sun elevation)",
  inputs: [
    { name: "Row height", value: `${number(rowHeightM, 3)} m`, from: "slope × sin(tilt)" },
    { name: "Tilt, azimuth", value: `${number(rows.tiltDeg, 1)}°, ${number(rows.surfaceAzimuthDeg, 1)}°`, from: "this bench" },
    { name: "Latitude", value: `${number(rows.latitudeDeg, 2)}°`, from: "site chapter: place" },
    { name: "Declination", value: `${number(rows.declinationDeg, 2)}°`, from: "winter solstice" },
    { name: "Window", value: `${number(rows.windowStartH, 1)} to ${number(rows.windowEndH, 1)} h`, from: "solar time" },
  ],
  source: "Iqbal, 1983, An introduction to solar radiation, ch. 1; projection of the shadow across the rows.",
  assumptions: ["Level ground, rows long enough that their ends do not matter."],
});

/** Where the snow of a row goes. */
export const snowWorking = (what: string, metres: number, rows: Rows, snowM: number): Working => ({
  title: `Snow: ${what}`,
  value: number(metres, 3),
  unit: "m",
  formula:
    "slab = snow × slope × cos(tilt) × 0.7;  heap = √(slab × tan 38°), reach = heap ÷ tan 38°;  edge = 0.7 × snow + heap;  slot = snow × cos(tilt)",
  inputs: [
    { name: "Snow on the row", value: `${number(snowM, 2)} m`, from: "this bench" },
    { name: "Length up the slope", value: `${number(rows.slantLengthM, 2)} m`, from: "this bench" },
    { name: "Tilt", value: `${number(rows.tiltDeg, 1)}°`, from: "this bench" },
  ],
  source: "Angle of rest and settling after McClung & Schaerer, 2006, The avalanche handbook.",
  assumptions: ["The whole slab slides at once and rests as a heap of two slopes; wind and melt are left out."],
});
