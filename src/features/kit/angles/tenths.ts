/** An angle to a tenth of a degree, as instruments on a roof are read. */
export const round = (angleDeg: number): number => Math.round(angleDeg * 10) / 10;

/** To a tenth, with 359.96 as 0. */
export const onCircle = (angleDeg: number): number => round(angleDeg) % 360;
