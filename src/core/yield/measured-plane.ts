import { erbsDiffuseFrac, type Plane, type PlaneColumns } from "../irradiance";
import type { SunColumns } from "../sun";
import type { Span } from "./stages";

/**
 * In-plane columns from a sensor in the plane: the total is the sensor's; how much of it is directional is told from its clearness
 * in the plane by the Erbs curve, which only the reflection stage uses. Source: Erbs, Klein & Duffie, 1982.
 */
export function fillMeasuredPlane(poaWm2: Float64Array, sun: SunColumns, plane: Plane, span: Span, out: PlaneColumns): PlaneColumns {
  for (let i = span.from; i < span.to; i++) {
    const cosIncidence = plane.east * sun.east[i]! + plane.north * sun.north[i]! + plane.up * sun.up[i]!;
    const poa = poaWm2[i]!;
    const lit = sun.up[i]! > 0 && cosIncidence > 0.02;
    const diffuse = lit ? poa * erbsDiffuseFrac(poa / (sun.extraterrestrialWm2[i]! * cosIncidence)) : poa;
    out.cosIncidence[i] = cosIncidence;
    out.directionalWm2[i] = poa - diffuse;
    out.skyWm2[i] = diffuse;
    out.groundWm2[i] = 0;
  }
  return out;
}
