import type { AttributionView } from "@/contracts/attribution";
import type { PartReport } from "@/contracts/parts";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number } from "@/wording/format";
import { partName, sheddingSentence, slowestToShed } from "@/wording/parts";
import { say } from "@/wording/screens/ledger-attribution";
import { meterSnowWorking, sheddingWorking } from "@/wording/workings/part-working";
import styles from "./Causes.module.css";

/** Which array sheds when: by the model of a sliding cover for each array, and by the meters of those that have one. */
export function SnowByArray({ report: { parts, shedding } }: { report: AttributionView }) {
  const metered = parts.flatMap((part) => (part.snow && part.snow.falls > 0 ? [{ ...part, snow: part.snow }] : []));
  const slowest = slowestToShed(shedding);
  if (!slowest && metered.length === 0) return null;
  return (
    <section className={chapter.section} aria-label={say.whichArrayShedsWhen}>
      <h2>{say.whichArrayShedsWhen}</h2>
      {slowest && (
        <p data-testid="shedding-verdict">
          <Figure plain working={() => sheddingWorking(slowest)}>
            {sheddingSentence(shedding)}
          </Figure>
        </p>
      )}
      {shedding.length > 0 && (
        <ScrollBox label={say.snowByArray}>
          <RuledTable className={chapter.table}>
            <thead>
              <tr>
                <th>{say.arrayByTheModel}</th>
                <th>tilt</th>
                <th>falls</th>
                <th>{say.liesOnAverageHours}</th>
                <th>longest, hours</th>
                <th>{say.lostKwhKwpAYear}</th>
              </tr>
            </thead>
            <tbody>
              {shedding.map((array) => (
                <tr key={array.id}>
                  <td>{array.name}</td>
                  <Cells working={() => sheddingWorking(array)}>
                    {[
                      `${number(array.tiltDeg)}°`,
                      array.falls,
                      number(array.meanHours),
                      number(array.longestHours),
                      number(array.lostKwhPerKwpYear, 1),
                    ]}
                  </Cells>
                </tr>
              ))}
            </tbody>
          </RuledTable>
        </ScrollBox>
      )}
      {metered.length > 0 && <MeteredParts parts={metered} />}
    </section>
  );
}

type SnowyPart = PartReport & { readonly snow: NonNullable<PartReport["snow"]> };

function MeteredParts({ parts }: { parts: readonly SnowyPart[] }) {
  return (
    <ScrollBox label={say.snowByMeter} className={styles.apart}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th>{say.byItsOwnMeter}</th>
            <th>{say.fallsThatStayed}</th>
            <th>{say.daysUnderSnow}</th>
            <th>{say.bareAfterHours}</th>
            <th>lost, kWh</th>
          </tr>
        </thead>
        <tbody>
          {parts.map((part) => (
            <tr key={part.id}>
              <td>{partName(part)}</td>
              <Cells working={() => meterSnowWorking(part)}>
                {[
                  part.snow.falls,
                  part.snow.days,
                  part.snow.bareHours === null ? "–" : number(part.snow.bareHours),
                  number(part.snow.lostKwh),
                ]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
