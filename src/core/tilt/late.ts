import { type EnergyTable, scheduleKwh } from "./energy-table";
import { dayOfText, type TiltStep, textOfDay } from "./schedule";

const total = (days: Float64Array): number => days.reduce((a, b) => a + b, 0);

/** What one change of a schedule costs when it is made so many days late, kWh a year. Negative: the later day is better. */
export function lateCostKwh(table: EnergyTable, steps: readonly TiltStep[], change: number, daysLate: number): number {
  const late = steps.map((step, k) => (k === change ? { ...step, from: textOfDay(dayOfText(step.from) + daysLate) } : step));
  return total(scheduleKwh(table, steps)) - total(scheduleKwh(table, late));
}
