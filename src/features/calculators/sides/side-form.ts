import { nameplateW, partOfSite } from "@/core/site";
import { type Differing, type TotalsSide, whatDiffers } from "@/core/trial";
import { say } from "@/wording/screens/calculators-sides";
import type { BenchProps } from "../bench-views";
import { type Typed, typedNumber } from "../use-number-fields";

/** A reading of a display: so many watts before the inverter, so many behind it. */
const PAIR_OFF = 0.02;
/** An efficiency by its nameplate stands for a device's own to about this share. */
const PLATE_OFF = 0.01;

export interface SideForm {
  /** Of the book; empty: none. */
  readonly meter: string;
  readonly name: string;
  readonly kwp: Typed;
  readonly point: "ac" | "dc";
  /** Of a display, for a side that is read before its inverter. */
  readonly dcW: Typed;
  readonly acW: Typed;
  readonly efficiency: Typed;
}

/** A side as it was filled in; null while its size is none. */
export function sideOf({ name, kwp, point, dcW, acW, efficiency }: SideForm): TotalsSide | null {
  const peak = typedNumber(kwp, null);
  if (peak === null || peak <= 0) return null;
  const [dc, ac] = [typedNumber(dcW, null), typedNumber(acW, null)];
  if (point === "ac") return { name, kwp: peak, toAcFrac: 1, toAcOff: 0 };
  if (dc !== null && ac !== null && dc > 0 && ac > 0 && ac <= dc) return { name, kwp: peak, toAcFrac: ac / dc, toAcOff: PAIR_OFF };
  return { name, kwp: peak, toAcFrac: typedNumber(efficiency, 96) / 100, toAcOff: PLATE_OFF };
}

export type SiteMeter = BenchProps["site"]["meters"][number];

/** Meters that can be a side: those of a part of the arrays, where there are two such; else any. */
export function sideMeters(site: BenchProps["site"]): readonly SiteMeter[] {
  const counting = site.meters.filter(({ point }) => point === "ac" || point === "dc");
  const parts = counting.filter(({ arrays }) => arrays.length > 0 && arrays.length < site.arrays.length);
  return parts.length >= 2 ? parts : counting.length >= 2 ? counting : [];
}

/** A side as the book knows it; without a meter of its own half of the site. */
export function firstForm(site: BenchProps["site"], meter: SiteMeter | undefined, k: number): SideForm {
  const own = meter ? partOfSite(site, meter.arrays) : site;
  const efficiency = (own.inverters[0]?.ratedEfficiencyFrac ?? 0.96) * 100;
  return {
    meter: meter?.id ?? "",
    name: meter?.id ?? (k === 0 ? say.theFirst : say.theSecond),
    kwp: Number((nameplateW(own) / 1000 / (meter ? 1 : 2)).toFixed(2)),
    point: meter?.point === "dc" ? "dc" : "ac",
    dcW: "",
    acW: "",
    efficiency: Number(efficiency.toFixed(1)),
  };
}

/** What the book itself knows to differ between the arrays of its two first meters. */
export function bookDifferences(site: BenchProps["site"], meters: readonly SiteMeter[]): readonly Differing[] {
  if (meters.length < 2) return [];
  const [a, b] = meters.slice(0, 2).map(({ id, point, arrays }) => ({
    name: id,
    site: partOfSite(site, arrays),
    point,
    meteredKwh: new Float64Array(0),
  }));
  return a && b ? whatDiffers(a, b).flatMap(({ what }) => (what === "metering" ? [] : [what])) : [];
}
