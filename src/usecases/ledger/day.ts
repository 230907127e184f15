import type { DayReport } from "@/contracts/ledger";
import { ledgerLines, type MeteredOnAxis, type MeterSeries } from "@/core/ledger";
import { energyKwh } from "@/core/readings";
import { utcOfWall, zoneOffset } from "@/core/time";
import { DAY_MS, hoursOfStep, MINUTE_MS } from "@/core/units";
import { type OpenLedger, rangeOf } from "./open-ledger";

type Curve = DayReport["expected"];

/** A local day of a ledger: expected and metered power, each at its own step, and the day's line. */
export function dayOf(ledger: OpenLedger, date: string): DayReport {
  const { timeZone } = ledger.site.place;
  const offset = zoneOffset(timeZone);
  const wallMs = Date.parse(`${date}T00:00:00Z`);
  const fromUtcMs = utcOfWall(wallMs, offset);
  const toUtcMs = utcOfWall(wallMs + DAY_MS, offset);
  return {
    date,
    timeZone,
    expected: expectedCurve(ledger, fromUtcMs, toUtcMs),
    metered: meteredCurve(ledger.meters, fromUtcMs, toUtcMs),
    line: dayLine(ledger, date, fromUtcMs, toUtcMs),
  };
}

const EMPTY: Curve = { stepMinutes: 60, startUtcMs: [], kw: [] };
const known = (value: number): number | null => (!Number.isNaN(value) ? value : null);

function expectedCurve({ run }: OpenLedger, fromUtcMs: number, toUtcMs: number): Curve {
  if (!run) return EMPTY;
  const { from, to } = rangeOf(run.axis, fromUtcMs, toUtcMs);
  const stepMs = run.axis.stepMinutes * MINUTE_MS;
  const indices = Array.from({ length: Math.max(0, to - from) }, (_, k) => from + k);
  return {
    stepMinutes: run.axis.stepMinutes,
    startUtcMs: indices.map((i) => run.axis.startUtcMs + i * stepMs),
    kw: indices.map((i) => known(run.expectedKwh[i]! / hoursOfStep(run.axis.stepMinutes))),
  };
}

/** The sum of all meters at the finest step that they share; their first alone when steps differ. */
function meteredCurve(meters: readonly MeterSeries[], fromUtcMs: number, toUtcMs: number): Curve {
  const first = meters[0];
  if (!first) return EMPTY;
  const { stepMinutes } = first.axis;
  const curves = meters.filter((meter) => meter.axis.stepMinutes === stepMinutes).map((meter) => kwOf(meter, fromUtcMs, toUtcMs));
  const startUtcMs = curves[0]!.startUtcMs;
  return {
    stepMinutes,
    startUtcMs,
    kw: startUtcMs.map((_, k) => curves.reduce<number | null>((sum, curve) => plus(sum, curve.kw[k] ?? null), 0)),
  };
}

const plus = (a: number | null, b: number | null): number | null => (a === null || b === null ? null : a + b);

function kwOf({ axis, values, quantity }: MeterSeries, fromUtcMs: number, toUtcMs: number): Curve {
  const { from, to } = rangeOf(axis, fromUtcMs, toUtcMs);
  // One value more than the day, so that a counter's last interval has its end.
  const energies = energyKwh(values.subarray(from, Math.min(to + 1, values.length)), quantity, axis.stepMinutes);
  const indices = Array.from({ length: Math.max(0, to - from) }, (_, k) => k);
  return {
    stepMinutes: axis.stepMinutes,
    startUtcMs: indices.map((k) => axis.startUtcMs + (from + k) * axis.stepMinutes * MINUTE_MS),
    kw: indices.map((k) => known(energies[k]! / hoursOfStep(axis.stepMinutes))),
  };
}

/** A day is not told from a longer span: what was split counts as not read here. */
const unsplit = ({ readFrac, split }: MeteredOnAxis, from: number, to: number): Float32Array =>
  readFrac.subarray(from, to).map((share, k) => (split[from + k] === 1 ? 0 : share));

function dayLine({ run, metered }: OpenLedger, date: string, fromUtcMs: number, toUtcMs: number): DayReport["line"] {
  if (!run) return null;
  const { from, to } = rangeOf(run.axis, fromUtcMs, toUtcMs);
  if (to <= from) return null;
  // Accounts are kept by month; a day's line carries only what its own intervals tell.
  const expectedKwh = run.expectedKwh.subarray(from, to);
  const referenceStepKwh = Float32Array.from(expectedKwh, (kwh) => (Number.isNaN(kwh) ? 0 : kwh));
  const slice = {
    ...run,
    axis: { ...run.axis, count: to - from },
    expectedKwh,
    referenceStepKwh,
    bins: { keys: [date], binOf: new Uint16Array(to - from) },
  };
  const sum = expectedKwh.reduce((total, value) => (!Number.isNaN(value) ? total + value : total), 0);
  const one = (value: number): Float64Array => Float64Array.of(value);
  const none = Object.fromEntries(Object.keys(run.accountsKwh).map((account) => [account, one(0)])) as typeof run.accountsKwh;
  const day = {
    ...slice,
    expectedByBinKwh: one(sum),
    planeKwhM2: one(0),
    referenceKwh: one(sum),
    filledReferenceKwh: one(0),
    accountsKwh: none,
  };
  const read = metered && {
    ...metered,
    kwh: metered.kwh.subarray(from, to),
    readFrac: unsplit(metered, from, to),
    split: metered.split.subarray(from, to),
  };
  return ledgerLines(day, read, null)[0] ?? null;
}
