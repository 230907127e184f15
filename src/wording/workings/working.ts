/** How a figure came about: enough for a reader to do it again by hand. */
export interface Working {
  readonly title: string;
  readonly value: string;
  readonly unit: string;
  readonly formula: string;
  readonly inputs: readonly WorkingInput[];
  readonly source: string;
  readonly assumptions: readonly string[];
}

export interface WorkingInput {
  readonly name: string;
  readonly value: string;
  readonly from: string;
}
