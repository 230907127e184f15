import type { Climate } from "@/core/weather";
import { catalogue } from "../catalogue";

/** What the screen of typed sunshine says. */
export const say = catalogue({
  sunshine: "Sunshine",
  typedSunshine: "typed sunshine",
  twelveFiguresAreEnough:
    "Twelve figures of a usual year are enough for tilt, shade, what-ifs and decisions. They say nothing of a real year: what was lost, and how the modules age, need weather that was measured.",
  fillInByClimate: "Fill in by climate",
  byOwnMeter: "this book's own meter",
  ownMeterMakes:
    "Made so that the plant of this book gives, month by month, what its meter counted: right for tilt, shade and decisions here, silent about how well the plant does.",
  ownMeterLacks: (months: string) =>
    `The meter does not tell ${months}: no month of that name was counted whole, or no sky makes the plant give so much. Type its figure.`,
  ownMeterNothing: "No month was counted whole yet: bring monthly numbers or readings first.",
  ownFigures: "own figures",
  figuresAreIn: "Figures are in",
  fromYear: "For the years from",
  toYear: "to",
  month: "month",
  sunOnTheLevel: "sun on the level",
  airWhereKnown: (unit: string) => `air, ${unit} (where known)`,
  lookAtTheYear: "Look at the year",
  undo: "Undo",
  soFar: "so far, kWh/m²",
});

/** A climate as somebody knows it who lives there. Within some 15 % of a year's light. */
export const CLIMATE_NAMES: Readonly<Record<Climate, string>> = catalogue({
  "hot-desert": "Hot desert: clear nearly all year",
  "cold-desert": "High or cold desert: clear, with cold winters",
  steppe: "Dry grassland: sunny, some rain",
  mediterranean: "Dry summer, mild wet winter",
  oceanic: "Sea wind: mild and often cloudy",
  "grey-winter": "Inland: warm summer, grey winter",
  "snowy-winter": "Inland: short warm summer, snowy bright winter",
  subarctic: "Far north: long dark winter",
  alpine: "Mountains: bright winter, showers in summer",
  "humid-summer": "Hot humid summer, mild winter",
  monsoon: "Monsoon: clear winter, clouded wet summer",
  rainforest: "Near the equator: rain in every month",
  savanna: "Tropics with a dry and a wet season",
  "trade-wind": "Trade wind: sun and passing showers",
});

export const SUN_UNIT_NAMES = catalogue({
  "kwh-day": "kWh/m² a day (peak sun hours)",
  "kwh-month": "kWh/m² a month",
  "mj-day": "MJ/m² a day",
  "mj-month": "MJ/m² a month",
  "w-mean": "W/m², mean of day and night",
});
