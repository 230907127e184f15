import { type AgeingReading, readAgeing } from "@/core/ageing";
import { attributionFrame, type Evidence } from "@/core/attribution";
import { noHeat } from "@/core/attribution/heat/detect";
import { flatCurve } from "@/core/attribution/level/detect";
import { notCurtailed } from "@/core/attribution/limit/detect";
import { USUAL_WASHING } from "@/core/attribution/soiling/washing";
import { meteredOnto } from "@/core/ledger";
import { prepareWeather } from "@/core/yield";
import { clearWeather, hours } from "./clear-weather";
import { site } from "./site-builder";

/** Days of the record. */
export const DAYS = 800;
export const plant = site({ place: { latitudeDeg: 45, longitudeDeg: 0, elevationM: 100, timeZone: "UTC" } });
export const axis = hours("2021-07-01T00:00Z", DAYS * 24);
const none = meteredOnto(axis, [], plant);
export const frame = attributionFrame(plant, prepareWeather(plant.place, clearWeather(axis, plant.place)), none);
export const zeros = (): Float64Array => new Float64Array(axis.count);
export const expectedKwh = frame.openKwh.map((kwh) => Math.max(kwh || 0, 0));
export const at = (day: number, hour = 0): number => day * 24 + hour;
export const sum = (values: Float64Array, from: number, to: number): number => values.subarray(from, to).reduce((a, b) => a + b, 0);
export const noRate: AgeingReading = readAgeing({
  days: [],
  cleanLog: new Float64Array(0),
  rawLog: new Float64Array(0),
  causesOutLog: new Float64Array(0),
  weight: new Float64Array(0),
  dirtFrac: new Float64Array(0),
  months: [],
  ageAtStartYears: 0,
  light: { clearLog: null, stabilityPerYearFrac: 0, calibratedDays: [] },
  dirtOffsets: [],
  draws: 0,
  seed: 1,
});

/** Evidence of a plant with nothing wrong; parts are replaced by what a test is about. */
export function evidence(parts: Partial<Evidence> = {}): Evidence {
  const dirt = new Float64Array(DAYS);
  return {
    frame,
    stepsAnHour: 1,
    ceiling: null,
    outages: { downFrac: zeros(), outages: [] },
    curtailed: notCurtailed(axis.count),
    snow: { lostFrac: zeros(), covered: new Uint8Array(axis.count), spells: [] },
    heat: noHeat(axis.count),
    strings: [],
    domes: [],
    orientation: null,
    planeOffset: null,
    shade: { fields: [], lostFrac: zeros(), isSeen: false, from: 0 },
    soiling: {
      lostFracByDay: dirt,
      ratePerDay: 0,
      ratePerDayRange: [0, 0],
      meanLostFrac: 0,
      meanErrorFrac: 0.001,
      washing: USUAL_WASHING,
      retainedBy: () => 1,
      resets: [],
      gain: 0,
      isSeen: false,
      cleanLog: dirt,
      offsets: [],
    },
    index: { ratio: dirt, weight: dirt, cloud: dirt },
    ageing: noRate,
    rating: flatCurve(1),
    ratingRetained: zeros().fill(1),
    ceilingKwh: 1e6,
    cutFrac: null,
    swingScale: 1,
    expectedKwh: expectedKwh,
    ...parts,
  };
}
