import { planeOf } from "../../irradiance";
import { cellOverBack, faiman, HEAT_LOSS, KING_MOUNT } from "../../module";
import { largestArray, nameplateW } from "../../site";
import { hoursOfStep, radToDeg } from "../../units";
import { arrayLightWm2 } from "../../yield";
import type { Evidence } from "../evidence";
import { ageAtStartOf, ageingRateOf, expectedSoFar } from "../expected";
import { AT_CEILING_FRAC, LOW_SUN } from "../record/thresholds";
import { type Lean, leanOf } from "./lean";
import { type StepOf, twoWay } from "./two-way";

/** What the model's error may hang on: cell temperature in C, angle of incidence in degrees, load as a share of nameplate. */
export const RESIDUAL_AXES = ["temperature", "incidence", "load"] as const;
export type ResidualAxis = (typeof RESIDUAL_AXES)[number];

/** How far metered energy lies from what was expected in a stretch of the axis, against the months' own level. */
export interface ResidualBin {
  readonly from: number;
  readonly to: number;
  readonly frac: number;
  /** One deviation, by how months differ. */
  readonly standardFrac: number;
  readonly hours: number;
}

export interface Residuals {
  readonly by: ResidualAxis;
  readonly bins: readonly ResidualBin[];
  /** Change from the first bin to the last, by a straight line; null with too few bins. */
  readonly lean: Lean | null;
}

const WIDTH: Readonly<Record<ResidualAxis, number>> = { temperature: 10, incidence: 10, load: 0.1 };

/**
 * Metered over expected by cell temperature, angle of incidence and load, from hours in which nothing else was found: what a wrong coefficient, glass or curve
 * leaves. Dirt and ageing are in the expected; what comes and goes with months is taken out. Null where readings are coarser than hours.
 */
export function residualsOf(evidence: Evidence): readonly Residuals[] | null {
  const { frame } = evidence;
  if (frame.resolution !== "hours") return null;
  const expected = expectedSoFar(evidence, ageAtStartOf(frame), ageingRateOf(evidence.ageing, frame.site));
  const steps = plainSteps(evidence, expected);
  const hours = hoursOfStep(frame.axis.stepMinutes);
  const values = axesOf(evidence, steps, expected);
  return RESIDUAL_AXES.map((by) => {
    const width = WIDTH[by];
    const told = steps.map(
      (i, n): StepOf => ({
        group: frame.days.keys[frame.days.binOf[i]!]!.slice(0, 7),
        bin: Math.floor(values[by][n]! / width),
        expected: expected[i]!,
        metered: frame.meteredKwh[i]!,
      }),
    );
    const bins = twoWay(told).map(({ bin, log, error, count }) => ({
      from: bin * width,
      to: (bin + 1) * width,
      frac: Math.exp(log) - 1,
      standardFrac: error,
      hours: count * hours,
    }));
    return { by, bins, lean: leanOf(bins) };
  });
}

/** Hours that were read whole, under a sun that is up, with nothing that holds the plant. */
function plainSteps(evidence: Evidence, expected: Float64Array): number[] {
  const { frame, ceilingKwh, outages, snow, curtailed, heat, shade, strings } = evidence;
  const out: number[] = [];
  for (let i = 0; i < frame.axis.count; i++) {
    const isHeld =
      outages.downFrac[i]! > 0 ||
      snow.lostFrac[i]! > 0 ||
      curtailed.lostFrac[i]! > 0 ||
      curtailed.touched[i] === 1 ||
      heat.touched[i] === 1 ||
      shade.lostFrac[i]! > 0;
    const isSeen = frame.read[i] === 1 && frame.lit[i] === 1 && frame.sun.up[i]! > LOW_SUN;
    if (isHeld || !isSeen || !(expected[i]! > 0) || expected[i]! > AT_CEILING_FRAC * ceilingKwh) continue;
    if (!strings.some(({ from, to }) => i >= from && i < to)) out.push(i);
  }
  return out;
}

/** Of each step what the axes ask, seen by the largest array. */
function axesOf({ frame }: Evidence, steps: readonly number[], expected: Float64Array): Readonly<Record<ResidualAxis, Float64Array>> {
  const { site, weather, sun, axis } = frame;
  const array = largestArray(site);
  const light = arrayLightWm2(site, array, { weather, sun });
  const heatLoss = HEAT_LOSS[array.mounting];
  const { east, north, up } = planeOf(array.tiltDeg, array.azimuthDeg);
  const perHour = (nameplateW(site) / 1000) * hoursOfStep(axis.stepMinutes);
  const cell = (i: number): number => {
    const back = weather.moduleTempC?.[i] ?? Number.NaN;
    return Number.isNaN(back)
      ? faiman(light[i]!, weather.airTempC[i]!, weather.windSpeedMs[i]!, heatLoss)
      : cellOverBack(back, light[i]!, KING_MOUNT[array.mounting]);
  };
  const incidence = (i: number): number =>
    radToDeg(Math.acos(Math.max(-1, Math.min(1, east * sun.east[i]! + north * sun.north[i]! + up * sun.up[i]!))));
  const column = (of: (i: number) => number): Float64Array => {
    const out = new Float64Array(steps.length);
    for (let n = 0; n < steps.length; n++) out[n] = of(steps[n]!);
    return out;
  };
  return { temperature: column(cell), incidence: column(incidence), load: column((i) => expected[i]! / perHour) };
}
