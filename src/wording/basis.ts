import type { Answer, Permission, PlantBasis, TariffBasis, ToBring, WeatherBasis } from "@/core/basis";
import { catalogue } from "./catalogue";

export const ANSWER_NAMES: Readonly<Record<Answer, string>> = catalogue({
  "expected-usual-year": "expected energy of a usual year",
  "expected-this-time": "expected energy of this month or year",
  "metered-against-promise": "metered against promise",
  "share-of-weather": "share of the weather in it",
  ageing: "rate of ageing, warranty",
  "clear-days": "ageing and bearing from clear days of the meter alone, read by the hour",
  causes: "causes of losses",
  capacity: "capacity test",
  guarantee: "guarantee settled",
  "what-if": "what-ifs, tilt, shade, rows",
  payback: "payback",
  decisions: "decisions",
  savings: "savings under a tariff",
  "string-limits": "voltages and currents of strings",
});

export const WEATHER_NAMES: Readonly<Record<WeatherBasis, string>> = catalogue({
  measured: "measured at that very time",
  rough: "measured, but rough or drifting",
  "typical-year": "a typical year",
  "monthly-means": "twelve monthly means",
  "own-meter": "made to fit the book's own meter",
  climate: "a climate that was picked",
  cloudless: "cloudless sky alone",
  none: "none",
});

export const PLANT_NAMES: Readonly<Record<PlantBasis, string>> = catalogue({
  datasheet: "modules by their datasheet",
  nameplate: "nameplates, the rest estimated",
  assumed: "in part assumed",
});

export const TARIFF_NAMES: Readonly<Record<TariffBasis, string>> = catalogue({
  "reproduces-bills": "a plan that gives the printed bills again",
  typed: "a plan that was typed",
  "flat-price": "one price for all",
  none: "none",
});

export const PERMISSION_WORDS: Readonly<Record<Permission, string>> = catalogue({
  yes: "yes",
  wider: "yes, with a wider interval",
  "usual-year": "of a usual year, and said so",
  "upper-bound": "as the most there can be",
  less: "in per cent, or on metered energy",
  withheld: "withheld",
});

/** The one thing that would carry a withheld answer further. */
export const BRING_WORDS: Readonly<Record<NonNullable<ToBring>, string>> = catalogue({
  "measured-weather": "Bring weather that was measured",
  "any-sun": "Bring sun: twelve figures or a climate are enough",
  "interval-readings": "Bring readings by the day or finer",
  "hourly-readings": "Bring readings by the hour or finer",
  readings: "Bring readings of the meter",
  plant: "Say what was assumed of the plant",
  datasheet: "Bring the modules' datasheet",
  tariff: "Bring the price of a kilowatt-hour",
  bills: "Bring the printed bills",
});
