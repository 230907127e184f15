import type { ProblemLog } from "@/contracts/problems";
import type { TableSource } from "../tables/source";
import { joinDateParts } from "./date-parts";
import { dropEnds } from "./from-to";
import { spreadLong } from "./long-table";
import { applyScales, applyUnits } from "./scales";
import { toMinutes } from "./seconds";

/** Brings the ways in which tables are written to the plain one, a row a time and a column a quantity, before their columns are told; each that was needed is said. */
export async function plainTable(source: TableSource, log: ProblemLog): Promise<TableSource> {
  const long = await spreadLong(joinDateParts(source, log), log);
  return toMinutes(applyScales(applyUnits(dropEnds(long, log), log), log), log);
}
