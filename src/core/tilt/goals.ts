import { DAYS, monthOfDay } from "./schedule";

/** What a planner wants most of. With one flat price most money is most energy. */
export const TILT_GOALS = ["energy", "winter", "money", "flattest"] as const;
export type TiltGoal = (typeof TILT_GOALS)[number];

/** Energy outside the winter half counts this little, so that it only decides between equals. */
const TIE = 1e-4;

const MONTH_OF_DAY = Int8Array.from({ length: DAYS }, (_, day) => monthOfDay(day));
export const monthDays = (month: number): number => MONTH_OF_DAY.reduce((n, m) => n + (m === month ? 1 : 0), 0);

/** October to March in the north, April to September in the south. */
export const isWinterHalf = (month: number, latitudeDeg: number): boolean => (month < 3 || month > 8) !== latitudeDeg < 0;

/** Weight of every day's energy. `priceByMonth` is the worth of a kilowatt-hour, January first; equal prices leave energy as it is. */
export function dayWeights(goal: TiltGoal, latitudeDeg: number, priceByMonth: readonly number[] | null): Float64Array {
  return Float64Array.from(MONTH_OF_DAY, (month) => {
    if (goal === "winter") return isWinterHalf(month, latitudeDeg) ? 1 : TIE;
    return goal === "money" && priceByMonth ? priceByMonth[month]! : 1;
  });
}

/** Energy of every month. */
export function byMonth(dayKwh: Float64Array): number[] {
  const out = new Array<number>(12).fill(0);
  dayKwh.forEach((kwh, day) => {
    out[MONTH_OF_DAY[day]!]! += kwh;
  });
  return out;
}

/** Least mean day of any month, kWh: what "flattest over the year" lifts as far as it goes. */
export const leastMonthKwhPerDay = (dayKwh: Float64Array): number => Math.min(...byMonth(dayKwh).map((kwh, m) => kwh / monthDays(m)));

export const monthOf = (day: number): number => MONTH_OF_DAY[day]!;
