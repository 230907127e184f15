import { type Conductor, cableSections, squaredHours } from "../electrical";
import { arrayNameplateW, type ObstacleShape, type PvArray, partOfSite, type Site, type TiltChange } from "../site";
import { monthBins } from "../time";
import { applyWhatIf, monthSums, type PreparedWeather, runPrepared, sumOf } from "../yield";
import { type MixedModules, mixedYearOnSite } from "./mixed-on-site";

/** How something is, and how it could be: what people get wrong, one thing at a time. */
export type Mistake =
  /** The array looks elsewhere than it could. */
  | { readonly kind: "azimuth"; readonly isDeg: number; readonly couldDeg: number }
  /** It stands at another tilt than it could. */
  | { readonly kind: "tilt"; readonly isDeg: number; readonly couldDeg: number }
  /** A rack that should be tilted through the year was left where it stood. */
  | { readonly kind: "left"; readonly leftDeg: number; readonly steps: readonly TiltChange[] }
  /** Every change of its tilt is made so many days late. */
  | { readonly kind: "late"; readonly days: number; readonly steps: readonly TiltChange[] }
  | ({ readonly kind: "shade"; readonly azimuthDeg: number; readonly distanceM: number } & Pick<ObstacleShape, "heightM" | "widthM"> & {
        readonly obstacle: "tree" | "wall";
      })
  /** A share of the light that dirt takes all year. */
  | { readonly kind: "dirt"; readonly frac: number }
  /** A run that is thinner than it could be. */
  | {
      readonly kind: "cable";
      readonly lengthM: number;
      readonly isMm2: number;
      readonly couldMm2: number;
      readonly currentA: number;
      readonly voltageV: number;
    }
  /** So many modules of a string are others, or get a share of the light. */
  | {
      readonly kind: "string";
      readonly inSeries: number;
      readonly modules: number;
      readonly module: string;
      readonly lightFrac: number;
    };

export interface MistakeCost {
  /** A year as it could be, and as it is, kWh; at the meter, of a string and a cable before the inverter. */
  readonly couldKwh: number;
  readonly isKwh: number;
  /** A year once it is mended in the usual way: as it could be; of a string with unlike modules: electronics at every module. */
  readonly mendedKwh: number;
}

const CONDUCTOR: Conductor = "copper";
const CONDUCTOR_C = 50;

/** What one mistake on one array costs a year, under the sun that there is; `years` is how many the weather holds. Null where a module's sheet is too thin for it. */
export function mistakeCost(site: Site, array: PvArray, prepared: PreparedWeather, mistake: Mistake, years: number): MistakeCost | null {
  const alone: Site = { ...partOfSite(site, [array.id]), revisions: [] };
  if (mistake.kind === "string") return stringCost(alone, array, prepared, mistake, years);
  if (mistake.kind === "cable") return cableCost(alone, array, prepared, mistake, years);
  const [could, is] = pairOf(alone, array, mistake).map((each) => sumOf(monthSums(each, prepared).expectedKwh) / years) as [number, number];
  return { couldKwh: could, isKwh: is, mendedKwh: could };
}

/** The array as it could be, and as it is. */
function pairOf(alone: Site, array: PvArray, mistake: Exclude<Mistake, { kind: "string" | "cable" }>): readonly [Site, Site] {
  const stood = (change: Partial<PvArray>): Site => ({ ...alone, arrays: [{ ...array, ...change }] });
  switch (mistake.kind) {
    case "azimuth":
      return [stood({ azimuthDeg: mistake.couldDeg }), stood({ azimuthDeg: mistake.isDeg })];
    case "tilt":
      return [stood({ tiltDeg: mistake.couldDeg, tiltSchedule: [] }), stood({ tiltDeg: mistake.isDeg, tiltSchedule: [] })];
    case "left":
      return [stood({ tiltSchedule: mistake.steps }), stood({ tiltDeg: mistake.leftDeg, tiltSchedule: [] })];
    case "late":
      return [stood({ tiltSchedule: mistake.steps }), stood({ tiltSchedule: mistake.steps.map((step) => later(step, mistake.days)) })];
    case "shade": {
      const { obstacle, heightM, widthM, azimuthDeg, distanceM } = mistake;
      const shape = { name: "", depthM: null, facingDeg: null, baseM: null, lightThroughMonthlyFrac: null };
      const thrown = { ...shape, kind: obstacle, heightM, widthM, azimuthDeg, distanceM };
      const seen = alone.models.shading === "none" ? { ...alone.models, shading: "by-array" as const } : alone.models;
      return [
        { ...stood({}), models: seen },
        { ...stood({ obstacles: [...array.obstacles, thrown] }), models: seen },
      ];
    }
    case "dirt": {
      const dirty = (soilingFrac: number): Site => applyWhatIf(alone, { arrayId: null, soilingFrac });
      return [dirty(0), dirty(mistake.frac)];
    }
  }
}

/** A change of tilt so many days later in the year. */
function later({ from, tiltDeg }: TiltChange, days: number): TiltChange {
  const day = new Date(Date.parse(`2025-${from === "02-29" ? "02-28" : from}T00:00:00Z`));
  day.setUTCDate(day.getUTCDate() + Math.round(days));
  return { from: day.toISOString().slice(5, 10), tiltDeg };
}

function cableCost(
  alone: Site,
  array: PvArray,
  prepared: PreparedWeather,
  { lengthM, isMm2, couldMm2, currentA, voltageV }: Extract<Mistake, { kind: "cable" }>,
  years: number,
): MistakeCost {
  const { axis } = prepared.weather;
  const hours = axis.stepMinutes / 60;
  const { expectedKwh } = runPrepared(alone, prepared, monthBins(axis, alone.place.timeZone));
  const fullW = arrayNameplateW(alone, array);
  const squared = squaredHours(
    expectedKwh.map((kwh) => (kwh * 1000) / hours),
    hours,
    fullW,
  );
  const free = { lifeValuePerKwhYear: 0, pricePerM: 0, pricePerMm2M: 0 };
  const run = {
    conductor: CONDUCTOR,
    oneWayLengthM: lengthM,
    conductorTempC: CONDUCTOR_C,
    currentA,
    voltageV,
    squaredHours: squared / years,
    ...free,
  };
  const lossKwh = (areaMm2: number): number => cableSections(run, [areaMm2])[0]!.lossKwhPerYear;
  const yearKwh = expectedKwh.reduce((sum, kwh) => sum + kwh, 0) / years;
  const couldKwh = yearKwh - lossKwh(couldMm2);
  return { couldKwh, isKwh: yearKwh - lossKwh(isMm2), mendedKwh: couldKwh };
}

function stringCost(
  alone: Site,
  array: PvArray,
  prepared: PreparedWeather,
  { inSeries, modules, module, lightFrac }: Extract<Mistake, { kind: "string" }>,
  years: number,
): MistakeCost | null {
  const part = (name: string, count: number, light: number): MixedModules => ({
    module: name,
    count,
    tiltDeg: array.tiltDeg,
    azimuthDeg: array.azimuthDeg,
    groupLightFrac: new Array<number>(Math.max(1, alone.modules[name]?.bypassDiodes || 1)).fill(light),
    irradianceWm2: 1000,
    cellTempC: 25,
  });
  const whole = mixedYearOnSite(alone, prepared, [[part(array.module, inSeries, 1)]], years);
  const sound = inSeries - modules;
  const spoilt = [...(sound > 0 ? [part(array.module, sound, 1)] : []), part(module, modules, lightFrac)];
  const mixed = mixedYearOnSite(alone, prepared, [spoilt], years);
  return whole && mixed && { couldKwh: whole.togetherKwh, isKwh: mixed.togetherKwh, mendedKwh: mixed.byModuleKwh };
}
