/** Tells the number of a field, nothing where it was emptied; a text that was refused leaves what was there. */
export const knownNumber =
  (tell: (value: number) => void) =>
  (typed: number | string): void => {
    if (typeof typed === "number") tell(typed);
    else if (typed === "") tell(0);
  };
