import type { z } from "zod";
import { say } from "@/wording/validation";
import { siteSchema } from "./site";

const point = siteSchema.shape.horizon.unwrap().element;

/** A horizon as rows of text, azimuth and elevation in degrees; a header is allowed. Faults name their row. */
export function readHorizonRows(rows: readonly (readonly string[])[]): { points: z.output<typeof point>[] } | { fault: string } {
  const points: z.output<typeof point>[] = [];
  for (const [k, row] of rows.entries()) {
    if (row.every((cell) => cell.trim() === "")) continue;
    const [azimuthDeg, elevationDeg] = row.map((cell) => Number(cell.trim().replace(",", ".")));
    if (k === 0 && Number.isNaN(azimuthDeg)) continue;
    const parsed = point.safeParse({ azimuthDeg: azimuthDeg === 360 ? 0 : azimuthDeg, elevationDeg });
    if (!parsed.success) {
      const [issue] = parsed.error.issues;
      return {
        fault: say.rowTwoNumbersARowAre(k + 1, String(issue?.path[0] ?? ""), row.join("; "), issue?.message),
      };
    }
    points.push(parsed.data);
  }
  const azimuths = points.map((p) => p.azimuthDeg);
  const twice = azimuths.find((azimuth, k) => azimuths.indexOf(azimuth) !== k);
  if (twice !== undefined) return { fault: say.azimuthOccursTwiceEachDirectionHas(twice) };
  return points.length > 0 ? { points: points.sort((a, b) => a.azimuthDeg - b.azimuthDeg) } : { fault: say.noRowsOfAzimuthAndElevation };
}
