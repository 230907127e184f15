import { erbsDiffuseFrac, type Plane } from "../irradiance";
import type { Block } from "./block";

/**
 * In-plane columns from a sensor in the plane: the total is the sensor's; how much of it is directional is told from its clearness
 * in the plane by the Erbs curve, which only the reflection stage uses. Source: Erbs, Klein & Duffie, 1982.
 */
export function fillMeasuredPlane(block: Block, plane: Plane, count: number): void {
  for (let i = 0; i < count; i++) {
    const cosIncidence = plane.east * block.east[i]! + plane.north * block.north[i]! + plane.up * block.up[i]!;
    const poa = block.sensorWm2[i]!;
    const lit = block.up[i]! > 0 && cosIncidence > 0.02;
    const diffuse = lit ? poa * erbsDiffuseFrac(poa / (block.extraterrestrialWm2[i]! * cosIncidence)) : poa;
    block.cosIncidence[i] = cosIncidence;
    block.directionalWm2[i] = poa - diffuse;
    block.skyWm2[i] = diffuse;
    block.groundWm2[i] = 0;
  }
}
