import { catalogue } from "../catalogue";

/** What the screens say of a promise that is written down. */
export const say = catalogue({
  promiseOfTheDesignStatementKwh: "Promise of the design statement, kWh",
  orAYearsTotal: "Or a year’s total",
  byTheClimate: "By the climate",
  chooseAClimate: "Which is yours?",
  spreadItOverTheMonths: "Spread it over the months",
  promiseIsSpread:
    "Of the quote a year’s total is known: its months are spread by what the model expects of this roof, and say nothing by themselves.",
  takeThePromiseOut: "Take the promise out",
  writeItDown: "Write it down",
});
