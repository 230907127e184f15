/** An hour of a billing period: what the array made, the band that holds, the local hour. */
export interface SunHour {
  readonly pvKwh: number;
  readonly band: string;
  readonly hour: number;
}

/** How a consumption falls over the day, local hours, mean about 1. Only its shape matters: its level comes from the bill. */
export type DayShape = readonly number[];

/** A household's day: low at night, a rise in the morning, a peak in the evening. An assumption, said on the working. */
export const HOUSEHOLD_DAY: DayShape = [
  0.55, 0.5, 0.48, 0.47, 0.5, 0.6, 0.85, 1.1, 1.1, 1.0, 0.95, 0.95, 1.0, 1.0, 0.95, 1.0, 1.1, 1.35, 1.6, 1.65, 1.55, 1.35, 1.0, 0.7,
];
/** The same at every hour: cold stores, servers, offices that never sleep. */
export const EVEN_DAY: DayShape = new Array(24).fill(1);

/** How far an hour's consumption strays from its usual, as the deviation of its logarithm. */
const STRAY_LOG = 0.5;
/** Gauss-Hermite-like nodes of that stray. */
const NODES = [-1.5, -0.8, -0.25, 0.25, 0.8, 1.5].map((z) => ({ factor: Math.exp(STRAY_LOG * z), weight: Math.exp((-z * z) / 2) }));
const WEIGHTS = NODES.reduce((sum, { weight }) => sum + weight, 0);
const MEAN = NODES.reduce((sum, { factor, weight }) => sum + (factor * weight) / WEIGHTS, 0);
const STRAYS = NODES.map(({ factor, weight }) => ({ factor: factor / MEAN, weight: weight / WEIGHTS }));
/** Halvings of a bracket that is a factor of two wide: a hundred-millionth. */
const HALVINGS = 26;

/**
 * Splits a period's self-used energy into the tariff's bands. In each band the level of consumption is the one that, with the sun that
 * shone, leaves what the bill says was bought; what the sun then covers there, scaled to the period's own total, is the band's share.
 * `selfUsedKwh` is production less export. Bands that the bill doesn't name get their share of the sun.
 */
export function selfUseByBand(
  hours: readonly SunHour[],
  importByBandKwh: Readonly<Record<string, number>>,
  selfUsedKwh: number,
  shape: DayShape = HOUSEHOLD_DAY,
): Record<string, number> {
  const bands = [...new Set(hours.map(({ band }) => band))];
  const covered = Object.fromEntries(
    bands.map((band) => {
      const own = bandHours(hours, band, shape);
      return [band, coveredKwh(own, levelOf(own, importByBandKwh[band] ?? 0))];
    }),
  );
  const all = Object.values(covered).reduce((a, b) => a + b, 0);
  return Object.fromEntries(bands.map((band) => [band, all > 0 ? (covered[band]! / all) * selfUsedKwh : selfUsedKwh / bands.length]));
}

export interface UseOfHours {
  readonly importKwh: Float64Array;
  readonly exportKwh: Float64Array;
  readonly loadKwh: Float64Array;
}

/**
 * Hours of a period as a bill's totals allow: the level of consumption of each band as in `selfUseByBand`, what is bought and exported scaled
 * to the printed sums. For charging the same use under a plan with other bands.
 */
export function hoursOfUse(
  hours: readonly SunHour[],
  importByBandKwh: Readonly<Record<string, number>>,
  exportKwh: number,
  shape: DayShape = HOUSEHOLD_DAY,
): UseOfHours {
  const out: UseOfHours = {
    importKwh: new Float64Array(hours.length),
    exportKwh: new Float64Array(hours.length),
    loadKwh: new Float64Array(hours.length),
  };
  for (const band of new Set(hours.map((hour) => hour.band))) {
    const level = levelOf(bandHours(hours, band, shape), importByBandKwh[band] ?? 0);
    hours.forEach((each, h) => {
      if (each.band !== band) return;
      for (const { factor, weight } of STRAYS) {
        const gap = level * shape[each.hour]! * factor - each.pvKwh;
        if (gap > 0) out.importKwh[h]! += weight * gap;
        else out.exportKwh[h]! -= weight * gap;
      }
    });
  }
  const exported = out.exportKwh.reduce((a, b) => a + b, 0);
  const factor = exported > 0 ? exportKwh / exported : 0;
  hours.forEach(({ pvKwh }, h) => {
    out.exportKwh[h] = Math.min(pvKwh, out.exportKwh[h]! * factor);
    out.loadKwh[h] = out.importKwh[h]! + pvKwh - out.exportKwh[h];
  });
  return out;
}

/** A band's hours in columns: those in the dark need no counting one by one. */
interface BandHours {
  readonly pvKwh: Float64Array;
  readonly shape: Float64Array;
  readonly darkShape: number;
}

function bandHours(hours: readonly SunHour[], band: string, shape: DayShape): BandHours {
  const lit = hours.filter((hour) => hour.band === band && hour.pvKwh > 0);
  const dark = hours.filter((hour) => hour.band === band && hour.pvKwh <= 0);
  return {
    pvKwh: Float64Array.from(lit, ({ pvKwh }) => pvKwh),
    shape: Float64Array.from(lit, ({ hour }) => shape[hour]!),
    darkShape: dark.reduce((sum, { hour }) => sum + shape[hour]!, 0),
  };
}

/** Consumption an hour of mean shape that leaves this much to be bought: what is bought rises with it, and is less than it. */
function levelOf(hours: BandHours, importKwh: number): number {
  const allShape = hours.darkShape + hours.shape.reduce((a, b) => a + b, 0);
  if (allShape === 0) return 0;
  let low = importKwh / allShape;
  let high = Math.max(low, 1e-6) * 2;
  while (boughtKwh(hours, high) < importKwh) [low, high] = [high, high * 2];
  for (let k = 0; k < HALVINGS; k++) {
    const middle = (low + high) / 2;
    if (boughtKwh(hours, middle) < importKwh) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

function boughtKwh({ pvKwh, shape, darkShape }: BandHours, level: number): number {
  let sum = level * darkShape;
  for (const { factor, weight } of STRAYS) {
    const scaled = level * factor;
    for (let h = 0; h < pvKwh.length; h++) {
      const gap = scaled * shape[h]! - pvKwh[h]!;
      if (gap > 0) sum += weight * gap;
    }
  }
  return sum;
}

function coveredKwh({ pvKwh, shape }: BandHours, level: number): number {
  let sum = 0;
  for (const { factor, weight } of STRAYS)
    for (let h = 0; h < pvKwh.length; h++) sum += weight * Math.min(level * factor * shape[h]!, pvKwh[h]!);
  return sum;
}
