import type { DayIndex } from "../record/day-index";
import type { AttributionFrame } from "../record/frame";
import type { SoilingEvidence } from "./detect";
import { USUAL_RATE } from "./thresholds";
import { rainByDay, retainedBy, USUAL_WASHING, unitDirt } from "./washing";

/** Where no day tells dirt from the rest: a usual rate, washed by the rain that fell; without a rain gauge none is claimed. */
export function modelledSoiling(frame: AttributionFrame, index: DayIndex): SoilingEvidence {
  const days = frame.days.keys.length;
  const rate = frame.weather.rainMm ? USUAL_RATE : 0;
  const setting = { days, rainMm: rainByDay(frame), cleaned: new Uint8Array(days), washing: USUAL_WASHING };
  const lostFracByDay = unitDirt(setting, 0, days).map((unit) => rate * unit);
  return {
    lostFracByDay,
    ratePerDay: rate,
    ratePerDayRange: [rate / 3, rate * 3],
    meanLostFrac: lostFracByDay.reduce((sum, value) => sum + value, 0) / days,
    meanErrorFrac: 0.01,
    washing: USUAL_WASHING,
    retainedBy: (rainMm) => retainedBy(rainMm, USUAL_WASHING),
    resets: [],
    gain: 0,
    isSeen: false,
    offsets: [],
    cleanLog: index.ratio.map((ratio, d) => (ratio > 0.2 ? Math.log(ratio) - Math.log(1 - lostFracByDay[d]!) : Number.NaN)),
  };
}
