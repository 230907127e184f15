import type { HolidayAnswer, HolidayQuestion } from "@/contracts/holidays";

/** Loaded by the first who asks: it is large, and few do. */
const holidays = async () => (await import("date-holidays")).default;

/** Countries whose public holidays are known. */
export async function holidayCountries(): Promise<string[]> {
  const Holidays = await holidays();
  return Object.keys(new Holidays().getCountries()).sort();
}

/** Public holidays of a country, those of every asked year once, movable ones with their year. Empty for a country that is not known. */
export async function holidaysOf({ country, from, to }: HolidayQuestion): Promise<HolidayAnswer> {
  const Holidays = await holidays();
  const calendar = new Holidays(country);
  const years = Array.from({ length: to - from + 1 }, (_, k) => from + k);
  const dates = years.flatMap((year) =>
    // A country that is not known has no list.
    ((calendar.getHolidays(year) as { readonly date: string; readonly type: string }[] | undefined) ?? [])
      .filter(({ type }) => type === "public")
      .map(({ date }) => date.slice(0, 10)),
  );
  const counts = new Map<string, number>();
  for (const date of new Set(dates)) counts.set(date.slice(5), (counts.get(date.slice(5)) ?? 0) + 1);
  const isOfEveryYear = (date: string): boolean => counts.get(date.slice(5)) === years.length;
  return { days: [...new Set(dates.map((date) => (isOfEveryYear(date) ? date.slice(5) : date)))].sort() };
}
