import { catalogue } from "../catalogue";

/** What the bench says of itself: the sun it reckons with, and what lies on it where there is no book. */
export const say = catalogue({
  theBench: "Bench",
  sunToReckonWith: "Sun to reckon with",
  cloudlessTheMostThereCanBe: "Cloudless: the most there can be",
  noWeatherInThisBook: "This book has no weather yet.",
  bringSun: "Bring sun",
  onTheBench: (place: string) => `At ${place}:`,
  sayWhatYouHave: "Say what you have",
  aRoofToBeginWith: "12 × 400 W of 2 m², 30° south, 4.6 kW inverter",
  done: "Done",
  aKwhIsWorth: (currency: string) => `A kWh is worth, ${currency}`,
  theRoofInOneLine: "The roof in one line",
  notUnderstoodYet: "A place and a roof with a size are needed, such as 18 × 410 W, 30° south, 6 kW inverter",
  theFirstRoofStandsIn: "What is typed makes no roof yet: a roof of 12 × 400 W at 45° north stands in.",
  nothingIsStored: "Nothing here is stored on the server; a book keeps it.",
  openABook: "Open a book",
});

/** The question that each tool of the bench answers. */
export const TOOL_QUESTIONS = catalogue({
  costs: "Turned away, left steep, shaded, dirty, thin: what does it cost a year?",
  tilt: "When is a rack tilted, to what, and what does it bring?",
  rows: "How far apart must rows stand, and what do they carry of snow?",
  ground: "On the roof or on the ground: what differs, and what may it cost?",
  mixed: "What do unlike modules in one string lose?",
  cable: "Does the string suit the input, and which cable pays?",
  modules: "Which modules bring most on this roof, for the money?",
  snow: "What do tilt and a gap below do against snow and dirt?",
  gear: "In a shed, a box, a cellar: how hot does it get, and what does the heat cost?",
  sides: "Two meters or two years, by their monthly totals: which gave more, and what can be told?",
  loads: "What can the sun here carry, with which battery?",
});
