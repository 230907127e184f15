/** The year of one way to place the modules. */
export interface PlaneYear {
  readonly yearKwh: number;
  readonly winterKwh: number;
  readonly monthsKwh: readonly number[];
}
