/** Cell temperature at standard test conditions, C. */
export const STC_CELL_C = 25;

/** Power relative to that at 25 C; gamma is negative for real modules. Floors at 0. Source: IEC 61215, temperature coefficient of power. */
export const temperatureFactor = (cellTempC: number, gammaPmpPerK: number): number =>
  Math.max(0, 1 + gammaPmpPerK * (cellTempC - STC_CELL_C));
