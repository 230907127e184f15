"use client";

import type { AttributionView, SnowReport, SoilingReport } from "@/contracts/attribution";
import { Cells } from "@/features/kit/figures/Cells";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, number, percent } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import { SnowByArray } from "./SnowByArray";

const winterWorking = (winter: AttributionView["snow"]["winters"][number]) => ({
  title: say.snowOfTheWinter(winter.key),
  value: number(winter.lostKwh),
  unit: "kWh",
  formula: say.owed1PaidOwedFromEach,
  inputs: [
    { name: say.fallsThatStayed, value: String(winter.spells), from: say.snowDepthOrColdAndRain },
    { name: say.daysUnderSnow, value: String(winter.days), from: "the same" },
    {
      name: say.clearingWouldHaveBrought,
      value: `${number(winter.clearingKwh)} kWh`,
      from: say.whatWasLostAfterTheFirst,
    },
  ],
  source: say.afterMarionEtAl2013With,
  assumptions: [say.atTheMeter, say.clearingTheNextMorningAllOf],
});

const cleaningWorking = (date: string, gainKwh: number) => ({
  title: say.whatTheCleaningOfBrought(dateName(date)),
  value: number(gainKwh),
  unit: "kWh",
  formula: say.dirtThatItTookOffOwed,
  inputs: [{ name: say.dirtAndRainByDay, value: say.asInThePicture, from: say.fitToTheReadings }],
  source: say.kimberEtAl2006DocsMethods,
  assumptions: [say.atTheMeterAboveTheInverters],
});

export interface DirtAndSnowProps {
  readonly slug: string;
  /** Of the span that was chosen. */
  readonly report: AttributionView;
  /** Last day of the whole record: what is told of now is told of it. */
  readonly lastDay: string | null;
  /** The span, as it is said. */
  readonly span: string;
  /** Worth of a kilowatt-hour at the meter; null where no price is known. */
  readonly pricePerKwh: number | null;
  readonly currency: string;
}

interface CleaningsSectionProps {
  readonly soiling: SoilingReport;
  readonly pricePerKwh: number | null;
  readonly currency: string;
}

export function CleaningsSection({ soiling, pricePerKwh, currency }: CleaningsSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatCleaningsBrought}</h2>
      {soiling.cleanings.length > 0 ? (
        <ScrollBox label={say.whatCleaningsBrought}>
          <RuledTable className={chapter.table}>
            <thead>
              <tr>
                <th>date</th>
                <th style={{ textAlign: "left" }}>told by</th>
                <th>brought, kWh</th>
                {pricePerKwh !== null && <th>worth, {currency}</th>}
              </tr>
            </thead>
            <tbody>
              {soiling.cleanings.map((cleaning) => (
                <tr key={cleaning.date}>
                  <td>{cleaning.date}</td>
                  <td style={{ textAlign: "left" }}>{cleaning.cause === "cleaning" ? "field book" : say.theOutputAlone}</td>
                  <td>
                    <Figure plain working={() => cleaningWorking(cleaning.date, cleaning.gainKwh)}>
                      {number(cleaning.gainKwh)}
                    </Figure>
                  </td>
                  {pricePerKwh !== null && (
                    <Cells working={() => cleaningWorking(cleaning.date, cleaning.gainKwh)}>
                      {[number(cleaning.gainKwh * pricePerKwh)]}
                    </Cells>
                  )}
                </tr>
              ))}
            </tbody>
          </RuledTable>
        </ScrollBox>
      ) : (
        <p className={chapter.soft}>{say.noCleaningIsWrittenDownAnd}</p>
      )}
    </section>
  );
}

interface WintersSectionProps {
  readonly snow: SnowReport;
  readonly pricePerKwh: number | null;
  readonly currency: string;
  readonly report: DirtAndSnowProps["report"];
}

export function WintersSection({ snow, pricePerKwh, currency, report }: WintersSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.snowWinterByWinter}</h2>
      {snow.winters.length > 0 ? (
        <ScrollBox label={say.snowByWinter}>
          <RuledTable className={chapter.table}>
            <thead>
              <tr>
                <th>winter</th>
                <th>{say.fallsThatStayed}</th>
                <th>{say.daysUnderSnow}</th>
                <th>lost, kWh</th>
                {pricePerKwh !== null && <th>worth, {currency}</th>}
                <th>{say.clearingTheNextMorningWouldHave}</th>
                <th>{say.waitingKeptOfThat}</th>
              </tr>
            </thead>
            <tbody>
              {snow.winters.map((winter) => (
                <tr key={winter.key}>
                  <td>{winter.key}</td>
                  <Cells working={() => winterWorking(winter)}>
                    {[
                      winter.spells,
                      winter.days,
                      number(winter.lostKwh),
                      ...(pricePerKwh === null ? [] : [number(winter.lostKwh * pricePerKwh)]),
                      number(winter.clearingKwh),
                      winter.lostKwh > 0 ? percent(1 - winter.clearingKwh / winter.lostKwh, 0) : "–",
                    ]}
                  </Cells>
                </tr>
              ))}
            </tbody>
          </RuledTable>
        </ScrollBox>
      ) : (
        <p className={chapter.soft}>{say.noSnowWasSeenOnThe}</p>
      )}
      <SnowByArray report={report} />
      <p className={chapter.caution}>{say.snowAndWetRoofsKillNo}</p>
    </section>
  );
}
