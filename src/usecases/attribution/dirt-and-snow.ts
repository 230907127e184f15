import type { SnowReport, SoilingReport } from "@/contracts/attribution";
import { type Evidence, rainByDay } from "@/core/attribution";
import { cleaningGains } from "@/core/soiling";
import { DAY_MS, MINUTE_MS } from "@/core/units";

const round = (value: number, digits = 4): number => Math.round(value * 10 ** digits) / 10 ** digits;
const WEEKS = 53;

/** Energy at the meter of each local day, kWh: what the plant owes under its dirt, and what of that the ceiling lets through. */
function expectedByDay({ frame, expectedKwh, ceilingKwh, soiling }: Evidence): { cleanKwh: Float64Array } {
  const cleanKwh = new Float64Array(frame.days.keys.length);
  for (let i = 0; i < frame.axis.count; i++) {
    const day = frame.days.binOf[i]!;
    const open = expectedKwh[i]! / (1 - soiling.lostFracByDay[day]!);
    // Above the ceiling cleaning brings nothing: only what a tenth less light would cost counts, scaled to the whole.
    if (open > 0) cleanKwh[day]! += (Math.min(ceilingKwh, open) - Math.min(ceilingKwh, open * 0.9)) * 10;
  }
  return { cleanKwh };
}

/** Dirt: rates, resets, what cleanings brought, and what one would bring by week of the year. */
export function soilingReport(evidence: Evidence): SoilingReport {
  const { soiling, frame } = evidence;
  const days = frame.days.keys;
  const rain = rainByDay(frame);
  const { cleanKwh } = expectedByDay(evidence);
  const cleaned = new Set(soiling.resets.filter(({ cause }) => cause !== "rain").map(({ day }) => day));
  const left = leftToRain(soiling, rain);
  const gains = cleaningGains(
    days.map((_, d) => ({ lostFrac: left[d]!, cleanKwh: cleanKwh[d]!, retainedFrac: soiling.retainedBy(rain[d]!) })),
  );
  const gainByWeekKwh = weeklyMeans(days, gains);
  const last = days.length - 1;
  return {
    isSeen: soiling.isSeen,
    ratePerDayFrac: soiling.ratePerDay,
    rateLowFrac: soiling.ratePerDayRange[0],
    rateHighFrac: soiling.ratePerDayRange[1],
    meanLostFrac: soiling.meanLostFrac,
    washing: soiling.washing,
    lostFracByDay: [...soiling.lostFracByDay].map((value) => round(value)),
    resets: soiling.resets.map(({ day, cause, beforeFrac, effectFrac }) => ({
      date: days[day]!,
      cause,
      beforeFrac: round(beforeFrac),
      effectFrac: round(effectFrac),
    })),
    cleanings: soiling.resets
      .filter(({ cause }) => cause !== "rain")
      .map(({ day, cause, beforeFrac }) => ({
        date: days[day]!,
        cause: cause as "cleaning" | "suspected",
        gainKwh: round(brought(day, beforeFrac), 1),
      })),
    gainByWeekKwh,
    nowFrac: round(soiling.lostFracByDay[last] ?? 0),
    nowGainKwh: round(
      ((soiling.lostFracByDay[last] ?? 0) / Math.max(1e-6, meanLost(left, days, weekOf(days[last]!)))) *
        gainByWeekKwh[weekOf(days[last]!)]!,
      1,
    ),
    daysToRain: frame.weather.rainMm ? dryDays(rain, soiling.washing.thresholdMm + soiling.washing.scaleMm) : null,
  };

  /** The dirt that a cleaning took would have stayed, thinner with each rain, until the next washing. */
  function brought(day: number, beforeFrac: number): number {
    let [dirt, gain] = [beforeFrac, 0];
    for (let d = day; d < days.length && dirt > 1e-4; d++) {
      if (d > day && cleaned.has(d)) break;
      gain += dirt * cleanKwh[d]!;
      dirt *= soiling.retainedBy(rain[d]!);
    }
    return gain;
  }
}

/** Mean of a value of each day by week of the year, kWh; a week without days gives nothing. */
function weeklyMeans(days: readonly string[], gains: readonly number[] | Float64Array): number[] {
  const byWeek = Array.from({ length: WEEKS }, () => [] as number[]);
  days.forEach((day, d) => {
    byWeek[weekOf(day)]!.push(gains[d]!);
  });
  return byWeek.map((values) => (values.length > 0 ? round(values.reduce((a, b) => a + b, 0) / values.length, 1) : 0));
}

/** Dirt by day as it would have been left to the rain: what a cleaning brings is told against that, whoever cleaned in the years there are. */
function leftToRain({ lostFracByDay, ratePerDay, retainedBy }: Evidence["soiling"], rain: Float64Array): Float64Array {
  const out = new Float64Array(rain.length);
  out[0] = lostFracByDay[0] ?? 0;
  for (let d = 1; d < out.length; d++) out[d] = out[d - 1]! * retainedBy(rain[d - 1]!) + ratePerDay;
  return out;
}

function meanLost(lostFrac: Float64Array, days: readonly string[], week: number): number {
  const own = [...days.keys()].filter((d) => weekOf(days[d]!) === week).map((d) => lostFrac[d]!);
  return own.reduce((a, b) => a + b, 0) / Math.max(1, own.length);
}

const weekOf = (day: string): number => {
  const since = Date.parse(`${day}T00:00:00Z`) - Date.parse(`${day.slice(0, 4)}-01-01T00:00:00Z`);
  return Math.min(WEEKS - 1, Math.floor(since / (7 * DAY_MS)));
};

/** Mean days from any day to the next rain that washes. */
function dryDays(rain: Float64Array, washingMm: number): number | null {
  let [wait, sum, count] = [Number.NaN, 0, 0];
  for (let d = rain.length - 1; d >= 0; d--) {
    wait = rain[d]! >= washingMm ? 0 : wait + 1;
    if (Number.isNaN(wait)) continue;
    sum += wait;
    count++;
  }
  return count > 0 ? Math.round(sum / count) : null;
}

/** Snow by winter and by spell; clearing is reckoned from the second morning after the fall. */
export function snowReport(evidence: Evidence): SnowReport {
  const { snow, frame, expectedKwh, ceilingKwh } = evidence;
  const lost = (i: number): number =>
    expectedKwh[i]! > 0 ? Math.min(ceilingKwh, expectedKwh[i]!) - Math.min(ceilingKwh, expectedKwh[i]! * (1 - snow.lostFrac[i]!)) : 0;
  const byDay = new Map<number, { lost: number; all: number }>();
  const spells = snow.spells.map(({ from, to }) => {
    let [lostKwh, clearingKwh] = [0, 0];
    const fallDay = frame.days.binOf[from]!;
    for (let i = from; i < to; i++) {
      const kwh = lost(i);
      const day = frame.days.binOf[i]!;
      lostKwh += kwh;
      if (day > fallDay) clearingKwh += kwh;
      const sum = byDay.get(day) ?? { lost: 0, all: 0 };
      byDay.set(day, { lost: sum.lost + kwh, all: sum.all + Math.max(0, expectedKwh[i]! || 0) });
    }
    const at = (i: number): number => frame.axis.startUtcMs + i * frame.axis.stepMinutes * MINUTE_MS;
    return {
      fromUtcMs: at(from),
      toUtcMs: at(to),
      lostKwh: round(lostKwh, 2),
      clearingKwh: round(clearingKwh, 2),
      day: frame.days.keys[fallDay]!,
    };
  });
  const southern = frame.site.place.latitudeDeg < 0;
  const keys = [...new Set(spells.map(({ day }) => winterOf(day, southern)))];
  const lostFracByDay = frame.days.keys.map((_, d) => {
    const sum = byDay.get(d);
    return sum && sum.all > 0 ? round(sum.lost / sum.all, 3) : 0;
  });
  return {
    winters: keys.map((key) => {
      const own = spells.filter(({ day }) => winterOf(day, southern) === key);
      const days = frame.days.keys.filter((day, d) => winterOf(day, southern) === key && lostFracByDay[d]! > 0.1).length;
      const sum = (of: (spell: (typeof own)[number]) => number): number =>
        round(
          own.reduce((a, spell) => a + of(spell), 0),
          1,
        );
      return { key, days, lostKwh: sum((s) => s.lostKwh), spells: own.length, clearingKwh: sum((s) => s.clearingKwh) };
    }),
    spells: spells.map(({ day: _day, ...spell }) => spell),
    lostFracByDay,
  };
}

/** "2021/22" in the north, "2021" in the south. */
function winterOf(day: string, southern: boolean): string {
  const [year, month] = [Number(day.slice(0, 4)), Number(day.slice(5, 7))];
  if (southern) return String(year);
  const first = month >= 7 ? year : year - 1;
  return `${first}/${String((first + 1) % 100).padStart(2, "0")}`;
}
