import type { ProblemLog } from "@/contracts/problems";
import type { TableSource } from "../tables/source";
import { asItStands, column, type Look, lookOf, recut } from "./recut";

const NAMES = {
  year: /^(year|yr|yyyy|jahr|ann[ée]e|a[ñn]o|anno|ano)$/i,
  month: /^(month|mon|mo|mm|monat|mois|mes|mese|m[êe]s)$/i,
  day: /^(day|dd|dy|tag|jour|d[ií]a|giorno|day of month)$/i,
  hour: /^(hour|hr|hh|hours?|stunde|heure|hora|ora)( of day)?$/i,
  minute: /^(minutes?|min|mi|minuten?)$/i,
} as const;
type Part = keyof typeof NAMES;
const RANGES: Readonly<Record<Part, readonly [number, number]>> = {
  year: [1950, 2100],
  month: [1, 12],
  day: [1, 31],
  hour: [0, 24],
  minute: [0, 60],
};

const FITS_FRAC = 0.9;

/** Year, month, day and hour in columns of their own become one time. Hours 1 to 24 and minutes in the midst of an hour name the hour that they lie in; a typical year is read as one year. */
export function joinDateParts(source: TableSource, log: ProblemLog): TableSource {
  const look = lookOf(source);
  const parts = look && partsOf(look);
  if (!look || !parts) return source;
  const numbers = (part: Part): number[] => (parts[part] === undefined ? [] : column(look, parts[part]).map(Number));
  const endsHours = numbers("hour").includes(24) && !numbers("hour").includes(0);
  const minutes = new Set(numbers("minute"));
  const isMidst = minutes.size === 1 && !minutes.has(0);
  const used = new Set(Object.values(parts));
  const timeOf = (): ((row: readonly string[]) => string) => {
    const year = typicalYear(log);
    return (row) => {
      const of = (part: Part): number => (parts[part] === undefined ? 0 : Number(row[parts[part]] || Number.NaN));
      const [y, m, d, h, min] = [of("year"), of("month"), of("day"), of("hour") - (endsHours ? 1 : 0), isMidst ? 0 : of("minute")];
      // What is no time is told as it was written.
      if ([y, m, d, h, min].some(Number.isNaN)) return [...used].map((index) => row[index] ?? "").join(" ");
      const pad = (value: number): string => String(value).padStart(2, "0");
      const date = `${year(y, m, d)}-${pad(m)}-${pad(d)}`;
      return parts.hour === undefined ? date : `${date} ${pad(h)}:${pad(min)}`;
    };
  };
  const rest = look.shape.headers.map((_, index) => index).filter((index) => !used.has(index));
  log.add(
    "joined-date-parts",
    "notice",
    { row: look.shape.firstRow },
    { columns: [...used].map((index) => look.shape.headers[index]!).join(", ") },
  );
  return recut(source, look, () => [{ header: "time", cell: timeOf() }, ...rest.map((index) => asItStands(look, index))]);
}

/** Columns of the parts of a date by their names and values; null where there is no year, month and day. */
function partsOf(look: Look): (Partial<Record<Part, number>> & { year: number; month: number; day: number }) | null {
  const found: Partial<Record<Part, number>> = {};
  for (const part of Object.keys(NAMES) as Part[]) {
    const [least, most] = RANGES[part];
    const index = look.shape.headers.findIndex((header, at) => {
      const values = NAMES[part].test(header.trim().replaceAll(/[()[\]]/g, "")) ? column(look, at).map(Number) : [];
      const fits = values.filter((value) => Number.isInteger(value) && value >= least && value <= most).length;
      // A sum at the foot of a short table is no date.
      return values.length > 0 && fits >= FITS_FRAC * values.length;
    });
    if (index >= 0) found[part] = index;
  }
  const { year, month, day } = found;
  return year === undefined || month === undefined || day === undefined ? null : { ...found, year, month, day };
}

/**
 * A typical year is patched from months of several years. Where the next month of the year follows on the first, in another year than the calendar's, it goes on in the year
 * of the first row.
 */
function typicalYear(log: ProblemLog): (year: number, month: number, day: number) => number {
  let [lastMonth, lastYear, shown] = [0, 0, 0];
  return (year, month, day) => {
    if (lastMonth === 0) shown = year;
    else if (month !== lastMonth) {
      const follows = month === (lastMonth % 12) + 1 && day === 1;
      const byCalendar = lastYear + (month === 1 ? 1 : 0);
      const goesOn = shown + (month === 1 ? 1 : 0);
      if (follows && year !== byCalendar) {
        if (shown === lastYear) log.add("typical-year", "notice", {}, { year: shown });
        shown = goesOn;
      } else shown += year - lastYear;
    }
    [lastMonth, lastYear] = [month, year];
    return shown;
  };
}
