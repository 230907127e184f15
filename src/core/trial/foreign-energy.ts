import type { TimeAxis } from "../series";
import { medianOf, spreadOf } from "../statistics";
import type { SunColumns } from "../sun";
import type { CalendarBins } from "../time";
import { hoursOfStep } from "../units";

/** Energy through a meter that no sun made. */
export interface ForeignEnergy {
  /** Given off in the dark, and in the evening beyond what the other side's light explains. */
  readonly kwh: number;
  /** Local days on which it ran, first to last of each stretch. */
  readonly stretches: readonly { readonly from: string; readonly to: string; readonly days: number; readonly kwh: number }[];
  /** Readings without it: dark steps are 0, and each day of a stretch is missing whole, since what went in by day can't be told. */
  readonly cleanKwh: Float64Array;
}

export interface ForeignInput {
  readonly axis: TimeAxis;
  readonly days: CalendarBins;
  readonly sun: Pick<SunColumns, "up">;
  readonly own: { readonly kwh: Float64Array; readonly kwp: number };
  readonly other: { readonly kwh: Float64Array; readonly kwp: number };
}

/** The sun this far down gives no module anything: sine of the elevation. */
const DARK_UP = -0.02;
/** Evening: the sun sinks below this, sine of the elevation. */
const EVENING_UP = 0.25;
/** A night that gives more than this, kWh a kilowatt-peak, is more than a meter's own noise: half a percent of a weak day. */
const NIGHT_KWH_PER_KWP = 0.015;
/** An evening stands out this many deviations over the usual difference of the sides, and by at least so much. */
const DEVIATIONS = 8;
const EVENING_KWH_PER_KWP = 0.05;
/** Days between two of a stretch that belong to it. */
const BRIDGED_DAYS = 3;

/** Finds energy given off in the dark or in the evening, as a battery behind the same clamp does, and takes it out with the days around it. */
export function withoutForeign({ axis, days, sun, own, other }: ForeignInput): ForeignEnergy {
  const count = days.keys.length;
  const night = new Float64Array(count);
  const evening = new Float64Array(count);
  const cleanKwh = own.kwh.slice();
  for (let i = 0; i < axis.count; i++) {
    const kwh = cleanKwh[i]!;
    if (Number.isNaN(kwh)) continue;
    const day = days.binOf[i]!;
    if (sun.up[i]! < DARK_UP) {
      // What an inverter draws of itself at night is its own; only what is given off is foreign.
      if (kwh > 0) {
        night[day]! += kwh / own.kwp;
        cleanKwh[i] = 0;
      }
    } else if (sun.up[i]! < EVENING_UP && sun.up[i]! < sun.up[i - 1]! && !Number.isNaN(other.kwh[i])) {
      evening[day]! += kwh / own.kwp - other.kwh[i]! / other.kwp;
    }
  }
  const usual = medianOf(evening);
  const most = Math.max(EVENING_KWH_PER_KWP, DEVIATIONS * spreadOf(evening));
  const beyond = evening.map((each) => (each - usual > most ? each - usual : 0));
  const dark = NIGHT_KWH_PER_KWP * Math.max(1, hoursOfStep(axis.stepMinutes));
  const isForeign = (d: number): boolean => night[d]! > dark || beyond[d]! > 0;
  const dayOut = new Uint8Array(count);
  const stretches: ForeignEnergy["stretches"][number][] = [];
  for (let d = 0; d < count; d++) {
    if (!isForeign(d)) continue;
    let last = d;
    for (let k = d + 1; k < count && k - last <= BRIDGED_DAYS; k++) if (isForeign(k)) last = k;
    // A discharge after midnight began by charging the day before.
    const from = Math.max(0, d - 1);
    const to = Math.min(count - 1, last + 1);
    dayOut.fill(1, from, to + 1);
    let kwh = 0;
    for (let k = d; k <= last; k++) kwh += (night[k]! + beyond[k]!) * own.kwp;
    stretches.push({ from: days.keys[from]!, to: days.keys[to]!, days: to - from + 1, kwh });
    d = last;
  }
  for (let i = 0; i < axis.count; i++) if (dayOut[days.binOf[i]!] === 1) cleanKwh[i] = Number.NaN;
  return { kwh: stretches.reduce((sum, each) => sum + each.kwh, 0), stretches, cleanKwh };
}
