/** How often a date comes again, in words. */
export const howOften = (everyYears: number | null): string =>
  everyYears === null ? "once" : everyYears === 1 ? "every year" : `every ${everyYears} years`;
