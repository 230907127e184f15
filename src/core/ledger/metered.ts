import {
  energyKwh,
  type MeteredSpan,
  type ProductionQuantity,
  type SettledReadings,
  type SplitEnergy,
  settleReadings,
  splitSpans,
} from "../readings";
import { sumOnto, type TimeAxis } from "../series";
import { nameplateW, type Site, siteAcRatedW } from "../site";
import { hoursOfStep, MINUTE_MS } from "../units";

/** One meter's recorded series. */
export interface MeterSeries {
  readonly meterId: string;
  readonly quantity: ProductionQuantity;
  readonly axis: TimeAxis;
  readonly values: Float64Array;
  /** Stretches whose values are even shares of one figure: true in sum alone. */
  readonly evenly?: readonly Stretch[];
}

/** Half-open stretch of time [from, to). */
export interface Stretch {
  readonly fromUtcMs: number;
  readonly toUtcMs: number;
}

/** Metered energy on the time axis of the model: sums of what was read, and how much of each interval was read. */
export interface MeteredOnAxis {
  readonly kwh: Float64Array;
  /** 0 to 1, the least over all meters. Single precision serves a share. */
  readonly readFrac: Float32Array;
  readonly caughtUpRows: number;
  readonly impossibleRows: number;
  /** 1 where a value is a share of a longer span, laid out by the expected shape: good for months, not for days; 2 where the span is a day: good for days, not for hours. */
  readonly split: Uint8Array;
}

/** Enhanced irradiance at a cloud's edge can lift an interval this far above nameplate. Source: Gueymard, 2017, Cloud and albedo enhancement impacts on solar irradiance. */
const CLOUD_EDGE = 1.3;

/** The most that a site can deliver in one interval, kWh: nameplate under enhanced irradiance, or the inverters' rating if lower. */
export function mostEnergyKwh(site: Site, stepMinutes: number): number {
  const dcW = nameplateW(site) * CLOUD_EDGE;
  const acW = siteAcRatedW(site);
  const powerW = site.inverters.length > 0 ? Math.min(dcW, acW * 1.1) : dcW;
  return (powerW / 1000) * hoursOfStep(stepMinutes);
}

/** Sums all production meters onto the model's axis. An interval that any meter misses wholly is unread. */
export function meteredOnto(axis: TimeAxis, meters: readonly MeterSeries[], site: Site, spans: SpansToSplit | null = null): MeteredOnAxis {
  const meterIds = new Set([...meters.map(({ meterId }) => meterId), ...(spans?.spans ?? []).map(({ meterId }) => meterId)]);
  const readings = meters.length === 1 ? readAlone(meters[0]!, site, spans ? axis : null) : null;
  if (readings && meterIds.size === 1 && readings.taken.length + (spans?.spans.length ?? 0) === 0)
    return asRead(axis, meters[0]!, readings);
  const kwh = new Float64Array(axis.count);
  const split = new Uint8Array(axis.count);
  const readFrac = new Float32Array(axis.count).fill(meterIds.size > 0 ? 1 : 0);
  let caughtUpRows = 0;
  let impossibleRows = 0;
  for (const meterId of meterIds) {
    const meter = meters.find((candidate) => candidate.meterId === meterId);
    const whole = (spans?.spans ?? []).filter((span) => span.meterId === meterId);
    if (!meter) {
      addSplit(splitSpans(whole, axis, spans!.expectedKwh), null, kwh, readFrac, split);
      continue;
    }
    const { settled, taken, counts } = readings ?? readAlone(meter, site, spans ? axis : null);
    caughtUpRows += counts.caughtUpRows;
    impossibleRows += counts.impossibleRows;
    const all = [...whole, ...taken];
    const own = spans && all.length > 0 ? splitSpans(all, axis, spans.expectedKwh) : null;
    const { sums, coverageFrac } = sumOnto(settled, meter.axis, axis);
    for (let i = 0; i < axis.count; i++) {
      if (!Number.isNaN(sums[i])) kwh[i]! += sums[i]!;
      if (!own || own.split[i] === 0 || coverageFrac[i]! > 0) readFrac[i] = Math.min(readFrac[i]!, coverageFrac[i]!);
    }
    if (own) addSplit(own, coverageFrac, kwh, readFrac, split);
  }
  for (let i = 0; i < axis.count; i++) if (readFrac[i] === 0) kwh[i] = Number.NaN;
  return { kwh, readFrac, caughtUpRows, impossibleRows, split };
}

/** A single meter without a span to lay out: its own columns serve, and nothing is added up. */
function asRead(axis: TimeAxis, meter: MeterSeries, { settled, counts }: ReadAlone): MeteredOnAxis {
  const { sums, coverageFrac } = sumOnto(settled, meter.axis, axis);
  return { kwh: sums, readFrac: coverageFrac, split: new Uint8Array(axis.count), ...counts };
}

interface ReadAlone {
  readonly settled: Float64Array;
  /** Stretches that are true in sum alone. */
  readonly taken: readonly MeteredSpan[];
  readonly counts: { readonly caughtUpRows: number; readonly impossibleRows: number };
}

/** A meter's energies settled, on its own axis; with the model's, stretches that are true in sum alone are taken out. */
function readAlone(meter: MeterSeries, site: Site, model: TimeAxis | null): ReadAlone {
  const raw = energyKwh(meter.values, meter.quantity, meter.axis.stepMinutes);
  const { energyKwh: settled, caughtUp, impossible } = settleReadings(raw, mostEnergyKwh(site, meter.axis.stepMinutes));
  const counts = { caughtUpRows: caughtUp.length, impossibleRows: impossible.length };
  if (!model || caughtUp.length + (meter.evenly?.length ?? 0) === 0) return { settled, taken: [], counts };
  const own = settled === meter.values ? settled.slice() : settled;
  return { settled: own, taken: takeEvenly(meter, own, caughtUp, model), counts };
}

/** Takes stretches that are true in sum alone out of the readings, widened to whole steps of the model, and gives them back as spans. */
function takeEvenly(
  { meterId, axis: own, evenly }: MeterSeries,
  energyKwh: Float64Array,
  caughtUp: SettledReadings["caughtUp"],
  model: TimeAxis,
): MeteredSpan[] {
  const stepMs = own.stepMinutes * MINUTE_MS;
  const modelMs = model.stepMinutes * MINUTE_MS;
  const late = caughtUp.map(({ at, over }) => ({
    fromUtcMs: own.startUtcMs + (at + 1 - over) * stepMs,
    toUtcMs: own.startUtcMs + (at + 1) * stepMs,
  }));
  return [...late, ...(evenly ?? [])].map((stretch) => {
    const fromUtcMs = model.startUtcMs + Math.floor((stretch.fromUtcMs - model.startUtcMs) / modelMs) * modelMs;
    const toUtcMs = model.startUtcMs + Math.ceil((stretch.toUtcMs - model.startUtcMs) / modelMs) * modelMs;
    let kwh = 0;
    const first = Math.max(0, Math.round((fromUtcMs - own.startUtcMs) / stepMs));
    for (let i = first; i < energyKwh.length && own.startUtcMs + i * stepMs < toUtcMs; i++) {
      if (!Number.isNaN(energyKwh[i])) kwh += energyKwh[i]!;
      energyKwh[i] = Number.NaN;
    }
    return { meterId, fromUtcMs, toUtcMs, kwh };
  });
}

/** Spans of hand-read and tabled figures, with the shape by which a month's part of them is told. */
export interface SpansToSplit {
  readonly spans: readonly MeteredSpan[];
  readonly expectedKwh: Float64Array;
}

/** Puts split spans where no finer reading stands. */
function addSplit(own: SplitEnergy, coverageFrac: Float32Array | null, kwh: Float64Array, readFrac: Float32Array, split: Uint8Array): void {
  for (let i = 0; i < kwh.length; i++) {
    if (coverageFrac && coverageFrac[i]! > 0) continue;
    if (own.split[i] === 0) {
      if (!coverageFrac) readFrac[i] = 0;
      continue;
    }
    kwh[i]! += own.kwh[i]!;
    split[i] = own.split[i]!;
  }
}
