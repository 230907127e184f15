import { catalogue } from "../catalogue";

/** What the screens of app say. */
export const say = catalogue({
  whatTheSunOwedWhatThe: "What the sun owed, what the meter paid, and where the rest went.",
  thereIsNoSuchPageIn: "There is no such page in this ledger.",
  itMayHaveBeenRenamedOr: "It may have been renamed or removed. ",
  andOpenABookThere: "and open a book there.",
  goBackToTheShelf: "Go back to the shelf",
});
