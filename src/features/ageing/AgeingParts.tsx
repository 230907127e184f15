"use client";

import { PartRates, partRatesHeight } from "@/charts";
import type { PartReport } from "@/contracts/parts";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number } from "@/wording/format";
import { fastestPart, partName, partsSentence } from "@/wording/parts";
import { say } from "@/wording/screens/ageing";
import { againstRestWorking, partWorking } from "@/wording/workings/part-working";

const BY_RATE = {
  slower: say.slowerThanGuaranteed,
  faster: say.fasterThanGuaranteed,
  undecided: "undecided",
  unphysical: say.notPhysical,
} as const;

function rateAgainst({ rateVerdict, isTooSoon }: PartReport): string {
  if (rateVerdict) return BY_RATE[rateVerdict];
  return isTooSoon ? say.tooSoonToTell : say.noWarrantyGiven;
}

const rate = (value: number | null): string => (value === null ? "–" : number(value * 100, 2));
const range = (low: number | null, high: number | null): string => (low === null ? "–" : `${rate(low)} to ${rate(high)}`);

/** Each meter's arrays, or each plane behind one meter, read for themselves and set against the rest. */
export function AgeingParts({
  slug,
  parts,
  arrayCount,
  warrantyFrac,
}: {
  slug: string;
  parts: readonly PartReport[];
  arrayCount: number;
  warrantyFrac: number | null;
}) {
  const sentence = partsSentence(parts, arrayCount);
  if (sentence === "") return null;
  // The sentence is of the fastest part, or says how long the readings are.
  const fastest = fastestPart(parts) ?? (parts.some(({ againstRest }) => againstRest) ? null : (parts[0] ?? null));
  const rates = parts.flatMap((part) =>
    part.perYearFrac === null
      ? []
      : [{ id: part.id, name: partName(part), perYearFrac: part.perYearFrac, low: part.low!, high: part.high! }],
  );
  return (
    <section className={chapter.section} aria-label={say.partByPart}>
      <h2>{say.partByPart}</h2>
      <p data-testid="parts-verdict">
        {fastest ? (
          <Figure plain working={() => (fastest.againstRest ? againstRestWorking(fastest) : partWorking(fastest))}>
            {sentence}
          </Figure>
        ) : (
          sentence
        )}
      </p>
      {rates.length > 0 && (
        <ChartFrame
          title={say.yearlyLossOfEachPart}
          note={parts[0]!.source === "hours" ? say.oneMeterToldApartByThe : say.eachByItsOwnMeter}
          fileName={`${slug}-ageing-parts`}
          height={partRatesHeight(rates.length)}
          summary={sentence}
          table={() => [["part", "per_year_frac", "low", "high"], ...rates.map((r) => [r.name, r.perYearFrac, r.low, r.high])]}
        >
          {(width) => <PartRates rates={rates} warrantyFrac={warrantyFrac} width={width} />}
        </ChartFrame>
      )}
      {parts.length > 0 && <PartsTable parts={parts} />}
    </section>
  );
}

interface PartsTableProps {
  readonly parts: readonly PartReport[];
}

function PartsTable({ parts }: PartsTableProps) {
  return (
    <ScrollBox label="Parts">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th>part</th>
            <th style={{ textAlign: "left" }}>told by</th>
            <th>years</th>
            <th>% a year</th>
            <th>interval</th>
            <th>{say.fasterThanTheRestBy}</th>
            <th>interval</th>
            <th style={{ textAlign: "left" }}>{say.rateAgainstWarranty}</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part) => (
            <tr key={part.id}>
              <td>{partName(part)}</td>
              <td style={{ textAlign: "left" }}>{part.source === "meter" ? `its meter, ${part.id}` : "its hours"}</td>
              <Cells working={() => partWorking(part)}>{[number(part.years, 1), rate(part.perYearFrac), range(part.low, part.high)]}</Cells>
              <Cells working={() => againstRestWorking(part)}>
                {[rate(part.againstRest?.value ?? null), range(part.againstRest?.low ?? null, part.againstRest?.high ?? null)]}
              </Cells>
              <td style={{ textAlign: "left" }}>{rateAgainst(part)}</td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
