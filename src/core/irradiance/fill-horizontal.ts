import type { SunColumns } from "../sun";
import { type BeamAndDiffuse, erbs } from "./erbs";
import type { HorizontalColumns } from "./hay-davies";

/** What was measured on the horizontal; null columns were not. */
export interface MeasuredHorizontal {
  readonly ghiWm2: Float64Array | null;
  readonly dniWm2: Float64Array | null;
  readonly dhiWm2: Float64Array | null;
}

/**
 * Completes GHI, DNI and DHI: measured values stand; a missing third follows from closure (GHI = DHI + DNI cos z); GHI alone is
 * split by Erbs with the beam capped at the extraterrestrial. NaN where too little was measured.
 */
export function fillHorizontal(measured: MeasuredHorizontal, sun: SunColumns, out: HorizontalColumns): HorizontalColumns {
  const split: BeamAndDiffuse = { dniWm2: 0, dhiWm2: 0 };
  for (let i = 0; i < out.ghiWm2.length; i++) {
    const cosZenith = Math.max(sun.up[i]!, 0);
    let dni = measured.dniWm2 ? measured.dniWm2[i]! : Number.NaN;
    let dhi = measured.dhiWm2 ? measured.dhiWm2[i]! : Number.NaN;
    let ghi = measured.ghiWm2 ? measured.ghiWm2[i]! : Number.NaN;
    if (Number.isNaN(ghi)) ghi = dhi + dni * cosZenith;
    if (!Number.isNaN(dni) && Number.isNaN(dhi)) dhi = Math.max(ghi - dni * cosZenith, 0);
    else if (!Number.isNaN(dhi) && Number.isNaN(dni)) dni = cosZenith > 0.0175 ? Math.max(ghi - dhi, 0) / cosZenith : 0;
    else if (Number.isNaN(dni)) {
      erbs(ghi, cosZenith, sun.extraterrestrialWm2[i]!, split, sun.extraterrestrialWm2[i]);
      dni = split.dniWm2;
      dhi = split.dhiWm2;
    }
    out.ghiWm2[i] = ghi;
    out.dniWm2[i] = dni;
    out.dhiWm2[i] = dhi;
  }
  return out;
}
