import type { Climate } from "@/core/weather";
import { catalogue } from "./catalogue";
import { CLIMATE_NAMES } from "./screens/readings-sunshine";

/** What a bench says of the sun that it reckons with. */
export interface SunTold {
  /** As it stands in a sentence: "2024", "a usual year". */
  readonly name: string;
  /** At the head of a column: "2024", "usual year". */
  readonly head: string;
  /** Where it comes from, for a working. */
  readonly from: string;
  /** What a verdict on it begins with; nothing where the light was measured. */
  readonly opening: string;
}

const words = catalogue({
  aUsualYear: "a usual year",
  usualYear: "usual year",
  aCloudlessYear: "a cloudless year",
  cloudlessYear: "cloudless year",
  theBook: "the book",
  theBookGenerated: "the book: hours generated, of a usual year",
  computed: "computed by Ineichen & Perez, 2002: the most there can be",
  inAUsualYear: "In a usual year: ",
  underACloudlessSky: "Under a cloudless sky, which is the most there can be: ",
  ofAClimate: (climate: string) => `the climate that was picked, right within some 15 %: ${climate}`,
});

/** A year of a book's weather; one whose hours were generated is a usual year's, whatever it is called. */
export const bookSunTold = (year: string, isUsual: boolean): SunTold =>
  isUsual
    ? { name: words.aUsualYear, head: words.usualYear, from: words.theBookGenerated, opening: words.inAUsualYear }
    : { name: year, head: year, from: words.theBook, opening: "" };

export const climateSunTold = (climate: Climate): SunTold => ({
  name: words.aUsualYear,
  head: words.usualYear,
  from: words.ofAClimate(CLIMATE_NAMES[climate]),
  opening: words.inAUsualYear,
});

export const CLOUDLESS_TOLD: SunTold = {
  name: words.aCloudlessYear,
  head: words.cloudlessYear,
  from: words.computed,
  opening: words.underACloudlessSky,
};
