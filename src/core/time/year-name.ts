/** Name of the year that a month ("2023-07") or a day lies in: "2023", or "FY2024" for the year that ends in 2024, where it begins in another month (1 to 12). */
export function yearName(key: string, firstMonth: number): string {
  const [year, month] = [Number(key.slice(0, 4)), Number(key.slice(5, 7))];
  return firstMonth === 1 ? String(year) : `FY${month >= firstMonth ? year + 1 : year}`;
}
