import { catalogue } from "../catalogue";

/** What the screens of validation say. */
export const say = catalogue({
  howNearTheMethodsCome: "How near the methods come",
  methodsStandAgainstFiguresOfAn: (count: number, values: string, nearest: string, nearest2: string, nearest3: number) =>
    `${count} methods stand against ${values} figures of an independent implementation of the same papers, and all lie within their tolerance. The nearest to its limit is ${nearest}: ${nearest2}, at ${nearest3} % of it.`,
  methodsAndTheirGreatestDifferences: "Methods and their greatest differences",
  ofTheTolerance: (row: number) => `${row} % of the tolerance`,
});
