"use client";

import { Button } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import Link from "next/link";
import type { Measured, NewEntryInput } from "@/contracts/field-book";
import { checkInverter, type InverterReading, type InverterReport } from "@/core/electrical";
import { partOfSite, siteAcRatedW, siteOn } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { type MomentPower, momentPower } from "@/core/yield";
import chapter from "@/features/kit/look/Chapter.module.css";
import { inverterFindingInWords } from "@/wording/electrical";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-inverter";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
import { InputFields, MomentFields, OutputFields } from "./DisplayFields";
import { InputTable } from "./InputTable";
import { blankTyped, known, readingOf, type Typed } from "./inverter-typed";
import { MomentTable } from "./MomentTable";
import { OrderLists } from "./OrderLists";

/** A cloudless sky says only what can be at most; a light that was read says it within a tenth or two. */
const CLOUDLESS_OFF = 0.5;
const MEASURED_OFF = 0.15;

/** What was read, by name, for the entry. */
const measuredOf = (at: string, { inputs, acV, acA, acW, dayKwh, lifetimeKwh }: InverterReading): Measured => ({
  at,
  ...Object.fromEntries(inputs.flatMap(({ dcV, dcA }, k) => [[`input ${k + 1} V`, dcV] as const, [`input ${k + 1} A`, dcA] as const])),
  ...{ acV, acA, acW, dayKwh, lifetimeKwh },
});

/** What the display shows, against itself, the book and the light. */
export function InverterView({ slug, site, nowUtcMs }: FieldBookProps) {
  const offset = zoneOffset(site.place.timeZone);
  const blank = blankTyped(site, nowUtcMs);
  const [typed, setTyped] = useLocalStorage<Typed>({ key: `dusty-ledger:inverter-draft:${slug}`, defaultValue: blank });
  const set = (change: Partial<Typed>): void => setTyped((current) => ({ ...current, ...change }));
  const inverter = site.inverters.find(({ id }) => id === typed.inverter) ?? site.inverters[0];
  const { reading, problem } = readingOf(typed);
  if (!inverter) return <p className={chapter.verdict}>{say.thisBookHasNoInverterEnter}</p>;
  const wallMs = Date.parse(`${typed.at}:00Z`);
  const own = partOfSite(siteOn(site, typed.at.slice(0, 10)), inverter.arrays);
  const light = known(typed.light);
  const moment = Number.isNaN(wallMs)
    ? null
    : momentPower(own, { utcMs: utcOfWall(wallMs, offset), ghiWm2: null, poaWm2: light, airTempC: known(typed.airTempC) ?? 15 });
  const report =
    reading &&
    checkInverter(reading, {
      acRatedW: siteAcRatedW(own),
      ratedEfficiencyFrac: inverter.ratedEfficiencyFrac,
      maxDcV: inverter.maxDcV,
      expectedW: moment?.expectedW ?? null,
      expectedOffFrac: light === null ? CLOUDLESS_OFF : MEASURED_OFF,
    });
  const strings = reading ? reading.inputs.reduce((sum, input) => sum + input.strings, 0) : 0;
  const stringW = moment && strings > 0 ? moment.expectedW / inverter.ratedEfficiencyFrac / strings : null;
  const entry = (): NewEntryInput => ({
    kind: "inverter-reading",
    from: typed.at.slice(0, 10),
    to: typed.at.slice(0, 10),
    value: inverter.id,
    note: [
      typed.lights && `Lights: ${typed.lights}.`,
      ...(report?.findings ?? []).map((finding) => inverterFindingInWords(finding, report!)),
    ]
      .filter(Boolean)
      .join(" ")
      .slice(0, 2000),
    measured: reading && measuredOf(typed.at, reading),
  });
  return (
    <>
      <DisplayVerdict problem={problem} report={report} moment={moment} light={light} />
      <div className={`${chapter.columns} ${styles.columns}`}>
        <InverterInputs
          site={site}
          inverter={inverter}
          set={set}
          typed={typed}
          slug={slug}
          entry={entry}
          report={report}
          setTyped={setTyped}
          blank={blank}
        />
        <DisplayFindings report={report} stringW={stringW} slug={slug} moment={moment} light={light} />
      </div>
      <p className={chapter.caution}>{say.readDisplaysFromTheFrontThe}</p>
    </>
  );
}

interface InverterInputsProps {
  readonly site: FieldBookProps["site"];
  readonly inverter: FieldBookProps["site"]["inverters"][number];
  readonly set: (change: Partial<Typed>) => void;
  readonly typed: Typed;
  readonly slug: string;
  readonly entry: () => NewEntryInput;
  readonly report: InverterReport | null;
  readonly setTyped: (typed: Typed) => void;
  readonly blank: Typed;
}

/** What the display says of each input. */
function InverterInputs({ site, inverter, set, typed, slug, entry, report, setTyped, blank }: InverterInputsProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whatTheDisplayShows}</h2>
      <MomentFields site={site} inverter={inverter} set={set} typed={typed} />
      {typed.inputs.map((input, k) => (
        <InputFields
          // biome-ignore lint/suspicious/noArrayIndexKey: an input is its place on the inverter
          key={k}
          k={k}
          input={input}
          set={set}
          typed={typed}
        />
      ))}
      <Button variant="subtle" size="compact-sm" onClick={() => set({ inputs: [...typed.inputs, { dcV: "", dcA: "", strings: 1 }] })}>
        Another input
      </Button>
      <OutputFields typed={typed} set={set} />
      <WriteDown slug={slug} entry={entry} disabled={report === null} onSaved={() => setTyped(blank)} />
    </section>
  );
}

interface DisplayVerdictProps {
  readonly problem: string;
  readonly report: InverterReport | null;
  readonly moment: MomentPower | null;
  readonly light: number | null;
}

function DisplayVerdict({ problem, report, moment, light }: DisplayVerdictProps) {
  return (
    <p className={chapter.verdict} data-testid="inverter-verdict">
      {problem ? (
        <span className={chapter.clay}>{problem}</span>
      ) : report ? (
        <Sentence report={report} moment={moment} measured={light !== null} />
      ) : (
        say.typeWhatTheDisplayShowsVolts
      )}
    </p>
  );
}

interface DisplayFindingsProps {
  readonly report: InverterReport | null;
  readonly stringW: number | null;
  readonly slug: string;
  readonly moment: MomentPower | null;
  readonly light: number | null;
}

function DisplayFindings({ report, stringW, slug, moment, light }: DisplayFindingsProps) {
  return (
    <section className={chapter.section}>
      {report && (
        <>
          <h2>{say.whatItSays}</h2>
          <ul className={styles.steps}>
            {report.findings.map((finding) => (
              <li key={finding} className={finding === "consistent" || finding === "at-rating" ? "" : chapter.clay}>
                {inverterFindingInWords(finding, report)}
              </li>
            ))}
          </ul>
          <InputTable report={report} expectedW={stringW} />
        </>
      )}
      <p>
        {say.aDaysTotalOrTheLifetime}
        <Link href={`/books/${slug}/readings?view=health`}>health check</Link>.
      </p>
      {moment && <MomentTable moment={moment} measured={light !== null} />}
      <OrderLists />
    </section>
  );
}

function Sentence({ report, moment, measured }: { report: InverterReport; moment: MomentPower | null; measured: boolean }) {
  const { dcW, acW, efficiencyFrac, ofExpectedFrac } = report;
  const isOff = report.findings.some((finding) => finding !== "consistent" && finding !== "at-rating");
  return (
    <span className={isOff ? chapter.clay : ""}>
      {say.wGoIn(
        number(dcW),
        acW === null ? "" : say.wComeOut(number(acW)),
        efficiencyFrac === null ? "" : ` (${percent(efficiencyFrac)})`,
      )}
      {moment &&
        ofExpectedFrac !== null &&
        say.wouldGiveWOfItIs(measured ? "This light" : say.aCloudlessSky, number(moment.expectedW), percent(ofExpectedFrac, 0))}
    </span>
  );
}
