"use client";

import { Button } from "@mantine/core";
import { useMemo } from "react";
import { loadDoubtInWords, loadsSchema } from "@/contracts/loads";
import { type Appliance, type BatteryTerms, type LoadReport, loadDoubts, loadReport, type NamedDoubt } from "@/core/loads";
import { nameplateW } from "@/core/site";
import { useKept } from "@/features/data/use-kept";
import { knownNumber } from "@/features/kit/fields/known-number";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { monthOfYear } from "@/wording/geometry";
import { say } from "@/wording/screens/calculators-loads";
import { loadWorking } from "@/wording/workings/load-working";
import styles from "../Bench.module.css";
import { BenchNote } from "../BenchNote";
import type { BenchSun } from "../bench-sun";
import type { BenchProps } from "../bench-views";
import { useBenchAnswer, useBenchEngine } from "../use-bench-engine";
import { ALL, ApplianceFields, BatteryFields } from "./LoadFields";

interface Loads {
  readonly appliances: readonly Appliance[];
  readonly battery: BatteryTerms;
}

const FIRST: readonly Appliance[] = [
  { name: "Refrigerator", watts: 90, count: 1, hoursPerDay: 9, months: ALL },
  { name: "Lamps", watts: 8, count: 6, hoursPerDay: 4, months: ALL },
  { name: "Water pump", watts: 550, count: 1, hoursPerDay: 0.7, months: ALL },
];
const FIRST_BATTERY: BatteryTerms = { capacityKwh: 9.6, voltageV: 48, usableFrac: 0.8, roundTripFrac: 0.9, chargerMaxA: 60 };

/** To begin with: the battery and the charge controller that the book knows, else usual ones. */
const firstLoads = ({ battery, chargeController }: BenchProps["site"]): Loads => ({
  appliances: FIRST,
  battery: {
    ...FIRST_BATTERY,
    ...(battery && { capacityKwh: battery.capacityKwh, voltageV: battery.voltageV ?? FIRST_BATTERY.voltageV }),
    ...(chargeController && { chargerMaxA: chargeController.maxA }),
  },
});

/** Off the grid at a glance: what is used a day, the worst month, how long the battery carries, when to run the heavy loads. */
export function LoadsBench({ slug, site, sun, nowUtcMs }: BenchProps) {
  const first = useMemo(() => firstLoads(site), [site]);
  const [{ appliances, battery }, setKept] = useKept<Loads>(`dusty-ledger:loads:${slug ?? ""}`, loadsSchema, first);
  const setAppliances = (next: readonly Appliance[]): void => setKept({ appliances: next, battery });
  const setBattery = (next: BatteryTerms): void => setKept({ appliances, battery: next });
  const { engine } = useBenchEngine(slug, site, sun);
  const profile = useBenchAnswer(engine, site, (remote, asked) => remote.profile(asked));
  const doubts = loadDoubts(appliances, battery);
  const arrayW = nameplateW(site);
  const report = profile ? loadReport({ appliances, battery, madeKwByHour: profile, arrayW }) : null;
  const set = (k: number, change: Partial<Appliance>): void =>
    setAppliances(appliances.map((each, at) => (at === k ? { ...each, ...change } : each)));
  const setTerm = (key: keyof BatteryTerms, scale = 1): ((value: number | string) => void) =>
    knownNumber((value) => setBattery({ ...battery, [key]: value / scale }));
  const sentence = report
    ? say.kwhADayAreUsedIn(
        number(report.worst.useKwhPerDay, 1),
        monthOfYear(report.worst.month - 1),
        number(report.worst.madeKwhPerDay, 1),
        report.worst.coverFrac >= 1 ? "enough" : say.ofWhatIsNeeded(percent(report.worst.coverFrac, 0)),
        number(report.autonomyDays, 1),
      )
    : say.theYearIsBeingGoneThrough;
  return (
    <>
      <LoadsVerdict sun={sun} sentence={sentence} doubts={doubts} report={report} battery={battery} />
      <div className={styles.rowsGrid}>
        <div>
          <AppliancesSection appliances={appliances} set={set} site={site} setAppliances={setAppliances} />
          <section className={chapter.section}>
            <h2>Battery</h2>
            <BatteryFields battery={battery} setTerm={setTerm} setBattery={setBattery} />
            <p className={chapter.caution}>{say.batteriesShortCircuitsWeldAndBurn}</p>
          </section>
          <BenchNote slug={slug} nowUtcMs={nowUtcMs} words={report ? `Loads: ${sentence}` : ""} />
        </div>
        <div>
          {report ? (
            <>
              <MonthsTable report={report} battery={battery} />
              <RecordNote report={report} battery={battery} />
            </>
          ) : (
            <div className={chapter.awaited} />
          )}
        </div>
      </div>
    </>
  );
}

interface AppliancesSectionProps {
  readonly appliances: readonly Appliance[];
  readonly set: (k: number, change: Partial<Appliance>) => void;
  readonly site: BenchProps["site"];
  readonly setAppliances: (next: readonly Appliance[]) => void;
}

function AppliancesSection({ appliances, set, site, setAppliances }: AppliancesSectionProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatIsUsed}</h2>
      {appliances.map((appliance, k) => (
        <ApplianceFields
          // biome-ignore lint/suspicious/noArrayIndexKey: an appliance is its place in the list
          key={k}
          k={k}
          appliance={appliance}
          set={set}
          site={site}
          setAppliances={setAppliances}
          appliances={appliances}
        />
      ))}
      <Button
        variant="subtle"
        size="compact-sm"
        onClick={() => setAppliances([...appliances, { name: "", watts: 100, count: 1, hoursPerDay: 1, months: ALL }])}
      >
        Another appliance
      </Button>
    </section>
  );
}

interface LoadsVerdictProps {
  readonly sun: BenchSun;
  readonly sentence: string;
  readonly doubts: NamedDoubt[];
  readonly report: LoadReport | null;
  readonly battery: BatteryTerms;
}

function LoadsVerdict({ sun, sentence, doubts, report, battery }: LoadsVerdictProps) {
  return (
    <p className={chapter.verdict} data-lines="2" data-testid="loads-sentence">
      {sun.opening}
      {sentence}{" "}
      {doubts.map((doubt) => (
        <span key={`${doubt.doubt} ${doubt.name}`} className={chapter.clay}>
          {loadDoubtInWords(doubt)}{" "}
        </span>
      ))}
      {report?.chargerShort && (
        <span className={chapter.clay}>
          {say.atFullSunAWouldFlow(number(report.chargeA), number(battery.voltageV), number(battery.chargerMaxA ?? 0))}
        </span>
      )}
    </p>
  );
}

interface MonthsTableProps {
  readonly report: LoadReport;
  readonly battery: BatteryTerms;
}

function MonthsTable({ report, battery }: MonthsTableProps) {
  return (
    <ScrollBox label="Months">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">month</th>
            <th scope="col">{say.usedKwhADay}</th>
            <th scope="col">{say.madeKwhADay}</th>
            <th scope="col">covers</th>
            <th scope="col">{say.heavyLoadsBest}</th>
          </tr>
        </thead>
        <tbody>
          {report.months.map((month) => (
            <tr key={month.month} style={month === report.worst ? { background: "var(--paper-deep)" } : undefined}>
              <td>{monthOfYear(month.month - 1)}</td>
              <Cells
                working={() => loadWorking(month, battery, monthOfYear(month.month - 1))}
                className={month.coverFrac < 1 ? chapter.clay : undefined}
              >
                {[
                  number(month.useKwhPerDay, 1),
                  number(month.madeKwhPerDay, 1),
                  coverWords(month.coverFrac),
                  month.surplusFromTo ? `${month.surplusFromTo[0]}:00 to ${month.surplusFromTo[1]}:00` : "never",
                ]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

interface RecordNoteProps {
  readonly report: LoadReport;
  readonly battery: BatteryTerms;
}

function RecordNote({ report, battery }: RecordNoteProps) {
  return (
    <p className={chapter.soft}>
      {say.allOnAtOnceWFull(
        number(report.loadW),
        number(report.chargeA),
        number(battery.voltageV),
        percent(report.chargeRate, 0),
        number(report.usableKwh, 1),
      )}
    </p>
  );
}

/** Beyond three times a share says less than how many times. */
const coverWords = (frac: number): string => (frac < 3 ? percent(frac, 0) : Number.isFinite(frac) ? `${number(frac)} times` : "all");
