import type { DesignAccount } from "@/core/accounts";
import type { ModelChoices } from "@/core/site";

/** Energy that would come back at the meter, month by month, if one cause alone were absent. */
export interface Removal {
  readonly account: DesignAccount;
  /** By month of the year that is loaded. */
  readonly gainIfRemovedKwh: readonly number[];
}

/** A method of one stage, and what the year would be with it. */
export interface MethodEffect {
  readonly stage: keyof ModelChoices;
  readonly choice: string;
  readonly chosen: boolean;
  readonly expectedKwh: number;
  readonly differenceKwh: number;
}

/** The orientation map so far: kWh by tilt and azimuth, NaN where not yet known. */
export interface MapPart {
  readonly kwh: Float64Array;
  readonly done: boolean;
}
