import type { Estimate } from "@/core/module";
import { number, percent } from "../format";
import type { Working } from "./working";

/** How values that a nameplate leaves out came about. */
export const estimateWorking = (module: string, estimates: readonly (Estimate & { readonly name: string })[]): Working => ({
  title: `Estimated of ${module}`,
  value: String(estimates.length),
  unit: "values",
  formula:
    "power = Vmp × Imp; Vmp = 0.83 Voc; Imp = 0.945 Isc; 0.56 V a cell at maximum power; cells by the area where nothing else tells them",
  inputs: estimates.map(({ name, value, halfFrac }) => ({
    name,
    value: `${number(value, 2)} ± ${percent(halfFrac, 0)}`,
    from: "by the surest thing that the nameplate has",
  })),
  source: "Green et al., 2023, Solar cell efficiency tables; IEC 61215-1:2021 type tests as published by makers.",
  assumptions: ["Cells of silicon, halves in parallel counted once."],
});
