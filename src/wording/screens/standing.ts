import { catalogue } from "../catalogue";

/** What is said of a book whose figures are not at hand. */
export const say = catalogue({
  isBeingReckoned: "Its figures are being reckoned. The page comes by itself when they are there.",
  tryAgain: "Try again",
  putACorrectedFile: "Put a corrected site file in its place",
  isNoSiteFile: (name: string) => `${name} is no site file: it holds no JSON.`,
  aSiteFileIsJson: "Take the site file of this book, correct what is named above, and choose it again. Nothing was changed.",
  takeItsSiteFile: "Take its site file",
  backToTheShelf: "Back to the shelf",
  cantBeShown: "This page can't be shown just now.",
  somethingBroke: "Something broke on our side, or the database does not answer. Nothing that is stored was changed.",
});
