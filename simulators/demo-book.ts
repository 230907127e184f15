import type { z } from "zod";
import type { newTestSchema } from "@/contracts/acceptance";
import type { SiteInput } from "@/contracts/site";
import type { Climate } from "./climate";
import type { LightSensor } from "./light-sensor";
import type { ModulesTruth } from "./module-recorder";
import type { PlantTruth } from "./plant";
import type { TrialTruth } from "./school";
import type { ConsumerTruth } from "./supplier";

/** One book of the demo: the owner's document, and what its simulated plants really do. All of it invented. */
export interface DemoBook {
  readonly site: SiteInput;
  readonly climate: Climate;
  readonly truth: PlantTruth;
  /** What the owner wrote down; not all that happened. */
  readonly entries?: readonly { readonly from: string; readonly to?: string; readonly kind: string; readonly note: string }[];
  /** Sides with a truth of their own, where a trial runs; the plant is their sum. */
  readonly trial?: TrialTruth;
  /** Single modules of one array that were read one by one. */
  readonly modules?: ModulesTruth;
  /** Who uses the energy, where bills are kept. */
  readonly consumer?: ConsumerTruth;
  /** What the mast's light sensor makes of the light; true where none is given. */
  readonly sensor?: LightSensor;
  /** Tests and guarantees that stand in the book. */
  readonly tests?: readonly z.input<typeof newTestSchema>[];
  readonly seed: number;
  readonly firstUtc: string;
  readonly lastUtc: string;
}
