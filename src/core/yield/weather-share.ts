import type { YieldLine } from "./yield-lines";

/** What the sky of a span gave against a usual one. */
export interface WeatherShare {
  /** In-plane irradiation of the span, kWh/m2, and of the same months in the mean of all years there are. */
  readonly planeKwhM2: number;
  readonly usualKwhM2: number;
  /** Share of the energy before it that heat took, of the span and usually. */
  readonly heatFrac: number;
  readonly usualHeatFrac: number;
  /** Whole years that the usual is the mean of. */
  readonly years: number;
}

type Line = Pick<YieldLine, "key" | "planeKwhM2" | "referenceKwh" | "accountsKwh">;

const monthOf = ({ key }: Line): string => key.slice(5, 7);
const sumOf = (lines: readonly Line[], of: (line: Line) => number): number => lines.reduce((sum, line) => sum + of(line), 0);
/** Heat against the reference: a share that any line of the same months can be held against. */
const heatOf = (lines: readonly Line[]): number => {
  const reference = sumOf(lines, ({ referenceKwh }) => referenceKwh);
  return reference > 0 ? sumOf(lines, ({ accountsKwh }) => accountsKwh.temperature) / reference : 0;
};

/**
 * The weather's share of a span of months. Usual is the mean of whole calendar years of this book's own weather, month by month; null with fewer than two of
 * them, since one year can't say what is usual.
 */
export function weatherShare(span: readonly Line[], months: readonly Line[]): WeatherShare | null {
  const byYear = new Map<string, Line[]>();
  for (const line of months.filter(({ planeKwhM2 }) => planeKwhM2 > 0)) {
    const year = line.key.slice(0, 4);
    byYear.set(year, [...(byYear.get(year) ?? []), line]);
  }
  const whole = [...byYear.values()].filter((own) => own.length === 12);
  if (whole.length < 2 || span.length === 0) return null;
  const asked = span.map(monthOf);
  const usual = whole.flatMap((own) => asked.map((month) => own.find((line) => monthOf(line) === month)!));
  return {
    planeKwhM2: sumOf(span, ({ planeKwhM2 }) => planeKwhM2),
    usualKwhM2: sumOf(usual, ({ planeKwhM2 }) => planeKwhM2) / whole.length,
    heatFrac: heatOf(span),
    usualHeatFrac: heatOf(usual),
    years: whole.length,
  };
}
