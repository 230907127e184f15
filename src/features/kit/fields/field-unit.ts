import { inUnit, unitOf } from "@/core/typed";
import { readersUnit } from "@/wording/format";

/** The unit at the end of a label: "Length, m", "Latitude, ° (north +)", "kWp"; null where there is none. */
export function unitIn(label: string): string | null {
  const ending = /(?:^|, )([^,()]{1,12}?)(?: \([^)]*\))?$/.exec(label)?.[1]?.trim();
  if (ending === undefined) return null;
  return unitOf(ending) || /^[A-Z]{3}$/.test(ending) || (label.includes(", ") && !ending.includes(" ")) ? ending : null;
}

/** A label with the unit in which its field is read. */
export const labelInUnit = (label: string, metric: string | null, shown: string | null): string =>
  metric === null || shown === null || metric === shown ? label : label.replace(new RegExp(`(^|, )${metric}(?= \\(|$)`), `$1${shown}`);

const units = (metric: string | null) => {
  const shown = metric === null ? null : readersUnit(metric);
  return metric === null || shown === metric ? null : { own: unitOf(metric)!, shown: unitOf(shown!)! };
};

/** A value of the field's metric unit in the reader's one. */
export function toReaders(value: number, metric: string | null): number {
  const pair = units(metric);
  return pair ? inUnit(value, pair.own, pair.shown) : value;
}

/** A value of the reader's unit in the field's metric one. */
export function toMetric(value: number, metric: string | null): number {
  const pair = units(metric);
  return pair ? inUnit(value, pair.shown, pair.own) : value;
}
