import { endUtcMs, type TimeAxis } from "@/core/series";
import { meanNameplateW } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { DAY_MS, MINUTE_MS } from "@/core/units";
import type { Weather } from "@/core/weather";
import type { YieldRun } from "@/core/yield";
import { type OpenLedger, rangeOf } from "../ledger";
import { Refusal } from "../refusal";

/** Local days, both ends included. */
export interface Days {
  readonly from: string;
  readonly to: string;
}

/** A part of a ledger's record, step by step, with what both tests are made from. */
export interface Record {
  readonly axis: TimeAxis;
  readonly run: YieldRun;
  readonly weather: Weather;
  readonly from: number;
  readonly to: number;
  readonly nameplateKw: number;
  /** Of each step of the part; NaN where the meter was not read whole, its light was not measured, or a figure of a longer span was laid out. */
  readonly meteredKwh: Float64Array;
  /** 1 where the light is that of its own time, and was measured. */
  readonly hasLight: Uint8Array;
  /** NaN where there was no light to tell. */
  readonly expectedKwh: Float64Array;
}

const READ_WHOLE = 0.999;

/** The part of a record that a test looks at. `isSplitTold`: a figure of a day or a month may stand by its shares, since only sums of years are told. */
export function recordOf(
  ledger: OpenLedger,
  days: { readonly from: string | null; readonly to: string | null },
  isSplitTold: boolean,
): Record {
  const { run, weather, metered, site, usual } = ledger;
  if (!run || !weather || !metered) throw new Refusal("acceptance-refused", "acceptance-without-record");
  const offset = zoneOffset(site.place.timeZone);
  const dayStart = (date: string, after = 0): number => utcOfWall(Date.parse(`${date}T00:00:00Z`) + after * DAY_MS, offset);
  const whole = run.axis;
  const { from, to } = rangeOf(
    whole,
    days.from === null ? whole.startUtcMs : dayStart(days.from),
    days.to === null ? endUtcMs(whole) : dayStart(days.to, 1),
  );
  if (to <= from) throw new Refusal("acceptance-refused", "acceptance-outside-record", dayNames(whole, offset));
  const axis = { ...whole, startUtcMs: whole.startUtcMs + from * whole.stepMinutes * MINUTE_MS, count: to - from };
  const light = weather.poaWm2 ?? weather.ghiWm2 ?? weather.dniWm2 ?? weather.dhiWm2;
  const isLit = (i: number): boolean => light !== null && !Number.isNaN(light[i]) && usual?.[i] !== 1;
  const isRead = (i: number): boolean => isLit(i) && metered.readFrac[i]! >= READ_WHOLE && (isSplitTold || metered.split[i] === 0);
  const { first, last } = dayNames(axis, offset);
  return {
    ...{ axis, run, weather, from, to },
    nameplateKw: meanNameplateW(site, first, new Date(Date.parse(last) + DAY_MS).toISOString().slice(0, 10)) / 1000,
    meteredKwh: Float64Array.from({ length: to - from }, (_, k) => (isRead(from + k) ? metered.kwh[from + k]! : Number.NaN)),
    hasLight: Uint8Array.from({ length: to - from }, (_, k) => (isLit(from + k) ? 1 : 0)),
    expectedKwh: run.expectedKwh.subarray(from, to),
  };
}

function dayNames(axis: TimeAxis, offset: (utcMs: number) => number): { first: string; last: string } {
  const day = (utcMs: number): string => new Date(utcMs + offset(utcMs)).toISOString().slice(0, 10);
  return { first: day(axis.startUtcMs), last: day(endUtcMs(axis) - 1) };
}
