/** AC power, W, at a constant efficiency, before the rating is applied; a negative input gives none. Source: IEC 61683, Power conditioners: efficiency. */
export const constantEfficiencyW = (pdcW: number, efficiencyFrac: number): number => (pdcW > 0 ? pdcW * efficiencyFrac : 0);

/** AC power, W, held at the rating. */
export const clipW = (pacW: number, acRatedW: number): number => Math.min(pacW, acRatedW);
