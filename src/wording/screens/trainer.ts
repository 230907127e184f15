import { catalogue } from "../catalogue";

/** What the screens of trainer say. */
export const say = catalogue({
  trainerWhatWasIt: "Trainer: what was it?",
  sixMadeUpMonthsLookAt: "Six made-up months. Look at days, rain and snow, post the missing kilowatt-hours to their cause, then compare. ",
  underWhatWasExpected: "under what was expected.",
  leftInTheRemainder: " left unexplained",
  compareWithTheTruth: "Compare with the truth",
  ofFoundSoFar: (found: number, all: number) => `${found} of ${all} found so far.`,
  meteredKwhDashedExpected: "metered, kWh; dashed: expected",
  snowOnTheGround: "Snow on the ground",
  thereWasNothingToPost: "There was nothing to post.",
  youFoundIt: "You found it.",
});
