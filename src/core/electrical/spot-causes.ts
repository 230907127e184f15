import type { Judged, SpotModule, SpotQuantity, SpotReading } from "./spot-reading";

export const SPOT_CAUSES = [
  "shade-on-a-cell",
  "dirt",
  "meter-range",
  "sensor-tilt",
  "sensor-shaded",
  "group-out",
  "module-out",
  "connector",
  "temperature-unit",
  "warmer-cells",
  "colder-cells",
  "not-at-maximum",
  "brighter-than-sensor",
] as const;
export type SpotCause = (typeof SPOT_CAUSES)[number];

/** Current this far under its expectation is no question of calibration. */
const HALF = 0.6;
/** A missing voltage this near a whole part of the string is that part. */
const PART_OFF = 0.35;
/** A module this much warmer than its voltage tells was read in another unit, or somewhere else. */
const UNIT_K = 25;

/** What to check, from which readings are off and by how much. */
export function causesOf(
  { modulesInSeries, bypassDiodes }: SpotModule,
  reading: SpotReading,
  judged: readonly Judged[],
  /** By the back; null where it was not read. */
  cellTempC: number | null,
  impliedCellTempC: number | null,
): SpotCause[] {
  const at = (quantity: SpotQuantity): Judged | undefined => judged.find((each) => each.quantity === quantity);
  const current = at("iscA") ?? at("operatingA");
  const voltage = at("vocV");
  const out: SpotCause[] = [];
  if (current?.verdict === "low") {
    out.push("shade-on-a-cell", "dirt", ...(current.read < HALF * current.expected ? (["meter-range"] as const) : []), "sensor-tilt");
    if (at("operatingA") && current.quantity === "operatingA" && reading.operatingV !== null) out.push("not-at-maximum");
  }
  if (current?.verdict === "high") out.push("sensor-shaded", "sensor-tilt", "brighter-than-sensor");
  if (voltage?.verdict === "low") {
    const missing = voltage.expected - voltage.read;
    const module = voltage.expected / modulesInSeries;
    const near = (part: number): boolean => part > 0 && Math.abs(missing / part - Math.max(1, Math.round(missing / part))) < PART_OFF;
    if (modulesInSeries > 1 && near(module) && missing > 0.6 * module) out.push("module-out", "connector");
    else if (bypassDiodes > 0 && near(module / bypassDiodes) && missing > (0.6 * module) / bypassDiodes) out.push("group-out");
    else out.push("warmer-cells", "connector");
  }
  if (voltage?.verdict === "high") out.push("colder-cells");
  if (impliedCellTempC !== null && cellTempC !== null && cellTempC - impliedCellTempC > UNIT_K) out.push("temperature-unit");
  if (!current && at("operatingW")?.verdict === "low") out.push("not-at-maximum");
  if (current?.verdict === "as-expected" && at("operatingW")?.verdict === "low") out.push("not-at-maximum");
  return [...new Set(out)];
}
