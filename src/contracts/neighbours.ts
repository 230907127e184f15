import { z } from "zod";
import { type DayOfModules, type ModuleDetail, type NeighbourReport, ODD_CAUSES } from "@/core/neighbours";

/** A share of the peers, in thousandths; null where nothing tells it. Short, since a hundred modules have many. */
const perMille = z.int().nullable();

const lossSchema = z.strictObject({ kwh: z.number(), halfKwh: z.number() });

export const oddModuleSchema = z.strictObject({
  id: z.string(),
  array: z.string(),
  cause: z.enum(ODD_CAUSES),
  lost: lossSchema,
  silent: lossSchema,
  shaded: lossSchema,
  level: lossSchema,
  fell: lossSchema,
  /** A year's loss, or the record's where it is shorter than a year. */
  told: lossSchema,
  levelFrac: z.number(),
  silentHours: z.int(),
  sinceUtcMs: z.number().nullable(),
  darkAt: z.strictObject({ fromHour: z.int(), toHour: z.int(), months: z.array(z.int()) }).nullable(),
  swappedWith: z.string().nullable(),
});
export type OddModuleLine = z.output<typeof oddModuleSchema>;

/** Single modules among their neighbours, as pages and programs get them. */
export const neighboursSchema = z.strictObject({
  fromUtcMs: z.number(),
  toUtcMs: z.number(),
  isPerYear: z.boolean(),
  years: z.array(z.string()),
  months: z.array(z.string()),
  modules: z.array(
    z.strictObject({
      id: z.string(),
      array: z.string(),
      row: z.int(),
      column: z.int(),
      kwh: z.number(),
      unreadHours: z.int(),
      whole: perMille,
      byYear: z.array(perMille),
      byMonth: z.array(perMille),
      byHour: z.array(perMille),
    }),
  ),
  odd: z.array(oddModuleSchema),
  swapped: z.array(z.tuple([z.string(), z.string()])),
  spreads: z.array(z.strictObject({ array: z.string(), spreadFrac: z.number() })),
  tooFew: z.array(z.string()),
  unplaced: z.array(z.string()),
});
export type Neighbours = z.output<typeof neighboursSchema>;
export type NeighbourModule = Neighbours["modules"][number];

export const moduleDetailSchema = z.strictObject({ byCell: z.array(perMille), days: z.array(z.string()), byDay: z.array(perMille) });
export type ModuleDetailLine = z.output<typeof moduleDetailSchema>;

export const moduleDaySchema = z.strictObject({
  hours: z.array(z.int()),
  modules: z.array(z.strictObject({ id: z.string(), whole: perMille, byHour: z.array(perMille) })),
});
export type ModuleDayLine = z.output<typeof moduleDaySchema>;

const thousandth = (share: number): number | null => (Number.isFinite(share) ? Math.round(share * 1000) : null);
const thousandths = (shares: ArrayLike<number>): (number | null)[] => Array.from(shares, thousandth);
const brief = (kwh: number): number => Number(kwh.toFixed(3));

export function packNeighbours(report: NeighbourReport): Neighbours {
  const { fromUtcMs, toUtcMs, isPerYear, years, months, modules, odd, swapped, spreads, tooFew, unplaced } = report;
  const loss = ({ kwh, halfKwh }: { kwh: number; halfKwh: number }) => ({ kwh: brief(kwh), halfKwh: brief(halfKwh) });
  return {
    fromUtcMs,
    toUtcMs,
    isPerYear,
    years: [...years],
    months: [...months],
    modules: modules.map(({ id, array, row, column, kwh, unreadHours, wholeShare, yearShares, monthShares, hourShares }) => ({
      ...{ id, array, row, column, unreadHours },
      kwh: brief(kwh),
      whole: thousandth(wholeShare),
      byYear: thousandths(yearShares),
      byMonth: thousandths(monthShares),
      byHour: thousandths(hourShares),
    })),
    odd: odd.map(({ sinceHour: _, lost, silent, shaded, level, fell, darkAt, ...rest }) => ({
      ...rest,
      lost: loss(lost),
      silent: loss(silent),
      shaded: loss(shaded),
      level: loss(level),
      fell: loss(fell),
      told: loss(rest.told),
      darkAt: darkAt && { ...darkAt, months: [...darkAt.months] },
    })),
    swapped: swapped.map(([a, b]) => [a, b]),
    spreads: [...spreads],
    tooFew: [...tooFew],
    unplaced: [...unplaced],
  };
}

export const packModule = ({ cellShares, days, dayShares }: ModuleDetail): ModuleDetailLine => ({
  byCell: thousandths(cellShares),
  days: [...days],
  byDay: thousandths(dayShares),
});

export const packModuleDay = ({ hours, modules }: DayOfModules): ModuleDayLine => ({
  hours: [...hours],
  modules: modules.map(({ id, wholeShare, shares }) => ({ id, whole: thousandth(wholeShare), byHour: thousandths(shares) })),
});
