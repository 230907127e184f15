import type { ModuleDayLine, NeighbourModule, Neighbours } from "@/contracts/neighbours";
import { dateName, monthName } from "@/wording/format";
import { say } from "@/wording/screens/ledger-modules";

/** For which time modules are painted. */
export type Painted =
  | { readonly kind: "whole" }
  | { readonly kind: "year"; readonly key: string }
  | { readonly kind: "month"; readonly key: string }
  | { readonly kind: "hour"; readonly hour: number }
  | { readonly kind: "day"; readonly date: string; readonly hour: number | null };

export type PaintedKind = Painted["kind"];
export const PAINTED_KINDS: readonly PaintedKind[] = ["whole", "year", "month", "hour", "day"];

/** Thousandths as a share. */
export const shareOf = (perMille: number | null | undefined): number | null => (perMille == null ? null : perMille / 1000);

/** A module's share of its neighbours in a time; `day` is what was asked of the day that is painted. */
export function shareIn(
  module: NeighbourModule,
  { months, years }: Neighbours,
  painted: Painted,
  day: ModuleDayLine | null,
): number | null {
  switch (painted.kind) {
    case "year":
      return shareOf(module.byYear[years.indexOf(painted.key)]);
    case "month":
      return shareOf(module.byMonth[months.indexOf(painted.key)]);
    case "hour":
      return shareOf(module.byHour[painted.hour]);
    case "day": {
      const own = day?.modules.find(({ id }) => id === module.id);
      return shareOf(painted.hour === null ? own?.whole : own?.byHour[day!.hours.indexOf(painted.hour)]);
    }
    default:
      return shareOf(module.whole);
  }
}

export function paintedName(painted: Painted, record: Span, timeZone: string): string {
  switch (painted.kind) {
    case "year":
      return painted.key;
    case "month":
      return `${monthName(painted.key)} ${painted.key.slice(0, 4)}`;
    case "hour":
      return say.atHour(painted.hour);
    case "day":
      return say.onDayAt(dateName(painted.date), painted.hour === null ? "" : say.hourWithin(painted.hour));
    default:
      return say.inAll(...recordDays(record, timeZone));
  }
}

type Span = Pick<Neighbours, "fromUtcMs" | "toUtcMs">;

/** First and last day of a record, in words. */
export const recordDays = ({ fromUtcMs, toUtcMs }: Span, timeZone: string): [string, string] => [
  localDay(fromUtcMs, timeZone),
  localDay(toUtcMs - 1, timeZone),
];

const localDay = (utcMs: number, timeZone: string): string =>
  dateName(new Intl.DateTimeFormat("sv-SE", { timeZone, dateStyle: "short" }).format(new Date(utcMs)));

/** Where painting begins: the year that is read where the record has it, else all of it. */
export const firstPainted = ({ years }: Neighbours, year: string): Painted =>
  years.length > 1 && years.includes(year) ? { kind: "year", key: year } : { kind: "whole" };

/** What a kind of time begins with: the middle of the record, noon. */
export function paintedAs(kind: PaintedKind, { years, months, fromUtcMs, toUtcMs }: Neighbours): Painted {
  if (kind === "year") return { kind, key: years.at(-1)! };
  if (kind === "month") return { kind, key: months[Math.floor(months.length / 2)]! };
  if (kind === "hour") return { kind, hour: 12 };
  if (kind === "day") return { kind, date: new Date((fromUtcMs + toUtcMs) / 2).toISOString().slice(0, 10), hour: null };
  return { kind };
}
