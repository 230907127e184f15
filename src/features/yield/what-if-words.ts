import type { Mounting } from "@/core/module";
import type { WhatIf } from "@/core/yield";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield";

const MOUNTINGS: Readonly<Record<Mounting, string>> = {
  "open-rack": say.anOpenRack,
  "roof-gap": say.aGapUnderTheModules,
  "roof-close": say.modulesCloseToTheRoof,
  "building-integrated": say.modulesInTheRoof,
};

/** A what-if in words; empty when it changes nothing. */
export function wordsOf(whatIf: WhatIf): string {
  const parts = [
    whatIf.tiltDeg !== undefined && `tilt ${number(whatIf.tiltDeg)}°`,
    whatIf.azimuthDeg !== undefined && `azimuth ${number(whatIf.azimuthDeg)}°`,
    whatIf.mounting !== undefined && MOUNTINGS[whatIf.mounting],
    whatIf.module !== undefined && `module ${whatIf.module}`,
    whatIf.count !== undefined && `${number(whatIf.count)} modules`,
    whatIf.acRatedW !== undefined && say.kwOfInverter(number(whatIf.acRatedW / 1000, 1)),
    whatIf.soilingFrac !== undefined && `soiling ${percent(whatIf.soilingFrac)}`,
    whatIf.albedo !== undefined && `albedo ${number(whatIf.albedo, 2)}`,
  ].filter((part) => part !== false);
  return parts.join(", ");
}
