/** Energy of the months of a run, kWh, by local month ("2024-03"). */
export interface MonthEnergy {
  readonly key: string;
  readonly expectedKwh: number;
}

/** The whole calendar years of a run, each as its twelve months, January first. A run without one gives its months as they come, as one year. */
export function wholeYears(lines: readonly MonthEnergy[]): number[][] {
  const byYear = new Map<string, MonthEnergy[]>();
  for (const line of lines) {
    const year = line.key.slice(0, 4);
    if (!byYear.has(year)) byYear.set(year, []);
    byYear.get(year)!.push(line);
  }
  const whole = [...byYear.values()].filter((months) => months.length === 12 && months.every(({ expectedKwh }) => expectedKwh > 0));
  const years = whole.length > 0 ? whole : [lines];
  return years.map((months) => {
    const out = new Array<number>(12).fill(0);
    for (const { key, expectedKwh } of months) out[Number(key.slice(5, 7)) - 1]! += expectedKwh;
    return out;
  });
}

/** Twelve months of a mean year. */
export const meanYear = (years: readonly (readonly number[])[]): number[] =>
  Array.from({ length: 12 }, (_, month) => years.reduce((sum, year) => sum + year[month]!, 0) / years.length);
