/** A bill as it was printed. Energies in kWh, the amount a decimal numeral; a credit is negative. Null is not on the bill. */
export interface BillLine {
  /** First and last day. */
  readonly from: string;
  readonly to: string;
  /** Consumed, where the bill says it beside what was bought; null where it does not. */
  readonly usageKwh: number | null;
  /** Bought from the grid. */
  readonly importKwh: number;
  /** Of it by band, under the bands' own names. */
  readonly importByBandKwh: Readonly<Record<string, number>>;
  readonly exportKwh: number | null;
  readonly productionKwh: number | null;
  readonly amount: string;
}
