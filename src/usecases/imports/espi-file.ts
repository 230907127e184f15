import type { MappingQuestion } from "@/contracts/mapping";
import { readEspi } from "@/formats/espi";
import type { Bytes } from "@/formats/tabular/text";
import type { YearOfHours } from "./year-of-hours";

/** An interval meter's XML as a file of production, and what it leaves open. */
export async function espiSeries(
  bytes: Bytes,
  type: string | null,
): Promise<YearOfHours & { readonly questions: readonly MappingQuestion[] }> {
  const { questions, series, stepMinutes, rowCount, valueCount, firstUtcMs, lastUtcMs, problems } = await readEspi(bytes, type);
  const columns = series.map(({ quantity }, index) => ({ index, header: "IntervalReading/value", quantity, meterId: null }));
  const kind = series.length > 0 ? ("production" as const) : null;
  const file = {
    kind,
    dialect: null,
    columns,
    ignored: [],
    stepMinutes,
    hasOffsets: true,
    rowCount,
    valueCount,
    firstUtcMs,
    lastUtcMs,
    series,
    sparse: null,
    proposal: null,
    problems,
  };
  return { file, year: null, questions };
}
