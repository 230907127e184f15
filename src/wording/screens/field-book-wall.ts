import { catalogue } from "../catalogue";

/** What the page says that is read at the wall. */
export const say = catalogue({
  atTheWall: "At the wall",
  typeWhatItShows:
    "Type what the display shows: its watts now, the day's total, the lifetime; one of them is enough. Each is set against what was expected and what was promised.",
  lifetimeKwh: "Lifetime, kWh",
  dayKwh: "Day total, kWh",
  countsSince: "It counts since",
  restOfTheDisplay: "DC inputs, AC volts and amperes, light …",
  toleranceHead: "Tolerance",
  withinKwh: "Within, kWh",
  orWithin: "or within",
  keepTheDay: "Keep the day's total",
  keepTheLifetime: "Keep the lifetime reading",
  besideWhatItShouldBe: "Beside what it should be",
  read: "read",
  setAgainst: "set against",
  differenceKwh: "difference, kWh",
  thatDay: "that day",
  inAll: "in all",
  expectedByTheWeatherThatCame: "expected, by the weather that came",
  promiseByTheDaysThemselves: "promise, by the days themselves",
  noPromiseInTheBook: "no promise in the book",
  noWeatherInTheBookFor: "no weather in the book for these days",
  below: "below",
  within: "in tolerance",
  above: "above",
  ofSeveral: (share: string) => `Of several inverters this one's share by nameplate is expected, ${share}.`,
  readDisplaysFromTheFront:
    "Read displays from the front. Opening a cover, a terminal or a DC isolator under load can kill and burn; leave it to a licensed electrician, and follow the maker’s procedure and the local code.",
});
