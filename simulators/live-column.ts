/** A column of a simulator that goes on living: its values up to now, on one axis. */
export interface LiveColumn {
  readonly quantity: string;
  readonly startUtcMs: number;
  readonly stepMinutes: number;
  readonly values: Float64Array;
}
