import { catalogue } from "../catalogue";

/** What the screens of app say. */
export const say = catalogue({
  whatTheSunOwedWhatThe: "What was expected of the sun, what the meter counted, and where the rest went.",
  noBookAtThisAddress: (slug: string) => `Nothing stands at “${slug}”.`,
  itMayHaveBeenRemovedOrThePageIsNot: "The book may have been taken off the shelf, or it has no such page. ",
  thereIsNoSuchPageIn: "There is no such page in this ledger.",
  itMayHaveBeenRenamedOr: "It may have been renamed or removed. ",
  andOpenABookThere: "and open a book there.",
  goBackToTheShelf: "Go back to the shelf",
});
