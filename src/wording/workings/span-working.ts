import type { Examination } from "@/contracts/examination";
import { stretchInWords } from "../findings/quality";
import { number, percent } from "../format";
import type { Working } from "./working";

/** How the energy expected between two hand readings came about. */
export const spanWorking = (span: Examination["spans"][number], timeZone: string): Working => ({
  title: "Expected between two readings",
  value: number(span.expectedKwh, 1),
  unit: "kWh",
  formula:
    "Σ expected energy of the model’s intervals from the first reading to the second; intervals that a reading cuts count by their share",
  inputs: [
    {
      name: "from the first to the second",
      value: stretchInWords(span, timeZone),
      from: span.source === "counter" ? "counter readings" : "table of figures",
    },
    {
      name: "metered",
      value: `${number(span.kwh, 1)} kWh`,
      from: span.source === "counter" ? "difference of the counter" : "the table itself",
    },
    { name: "time with weather", value: percent(span.knownFrac), from: "weather series" },
  ],
  source: "Chain of the Yield chapter, over the weather that came",
  assumptions: [
    "No daily value is made up from a span; where a month is needed the expected shape splits it, and the ledger marks the split.",
  ],
});
