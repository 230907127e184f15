import { catalogue } from "../catalogue";

/** What is said of a book whose figures are not at hand. */
export const say = catalogue({
  isBeingReckoned: "Its figures are being reckoned. The page comes by itself when they are there.",
  tryAgain: "Try again",
  takeItsSiteFile: "Take its site file",
  backToTheShelf: "Back to the shelf",
  cantBeShown: "This page can't be shown just now.",
  somethingBroke: "Something broke on our side, or the database does not answer. Nothing that is stored was changed.",
});
