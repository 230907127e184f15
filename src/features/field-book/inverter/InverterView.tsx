"use client";

import { Button, NativeSelect, NumberInput, SegmentedControl, TextInput } from "@mantine/core";
import { useLocalStorage } from "@mantine/hooks";
import Link from "next/link";
import type { Measured, NewEntryInput } from "@/contracts/field-book";
import { checkInverter, type InverterReading, type InverterReport } from "@/core/electrical";
import { partOfSite, siteAcRatedW, siteOn } from "@/core/site";
import { utcOfWall, zoneOffset } from "@/core/time";
import { type MomentPower, momentPower } from "@/core/yield";
import chapter from "@/features/kit/look/Chapter.module.css";
import { DateField } from "@/features/kit/look/DateField";
import segments from "@/features/kit/look/segments.module.css";
import { inverterFindingInWords } from "@/wording/electrical";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/field-book-inverter";
import styles from "../FieldBook.module.css";
import type { FieldBookProps } from "../field-book-props";
import { WriteDown } from "../WriteDown";
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
      <p className={chapter.verdict} data-testid="inverter-verdict">
        {problem ? (
          <span className={chapter.clay}>{problem}</span>
        ) : report ? (
          <Sentence report={report} moment={moment} measured={light !== null} />
        ) : (
          say.typeWhatTheDisplayShowsVolts
        )}
      </p>
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>{say.whatTheDisplayShows}</h2>
          <div className={styles.fields}>
            {site.inverters.length > 1 && (
              <NativeSelect
                label="Inverter"
                data={site.inverters.map(({ id }) => id)}
                value={inverter.id}
                onChange={(event) => set({ inverter: event.currentTarget.value })}
              />
            )}
            <DateField type="datetime-local" label={say.clockOnTheSite} value={typed.at} onChange={(at) => at && set({ at })} />
          </div>
          {typed.inputs.map((input, k) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: an input is its place on the inverter
            <fieldset key={k} className={styles.fields} aria-label={`DC input ${k + 1}`}>
              {(
                [
                  ["dcV", `Input ${k + 1}, V`],
                  ["dcA", "A"],
                  ["strings", "Strings"],
                ] as const
              ).map(([key, label]) => (
                <NumberInput
                  key={key}
                  label={label}
                  hideControls
                  inputMode="decimal"
                  value={input[key]}
                  onChange={(value) => set({ inputs: typed.inputs.map((each, at) => (at === k ? { ...each, [key]: value } : each)) })}
                />
              ))}
            </fieldset>
          ))}
          <Button variant="subtle" size="compact-sm" onClick={() => set({ inputs: [...typed.inputs, { dcV: "", dcA: "", strings: 1 }] })}>
            Another input
          </Button>
          <div className={styles.fields}>
            <NumberInput label="AC, V" hideControls inputMode="decimal" value={typed.acV} onChange={(acV) => set({ acV })} />
            <NumberInput label="AC, A" hideControls inputMode="decimal" value={typed.acA} onChange={(acA) => set({ acA })} />
            <NumberInput
              label={say.acPowerW}
              hideControls
              inputMode="decimal"
              value={typed.acW}
              onChange={(value) => set({ acW: value })}
            />
            <SegmentedControl
              classNames={segments}
              size="xs"
              data={[
                { value: "1", label: "one phase" },
                { value: "3", label: "three" },
              ]}
              value={typed.phases}
              onChange={(phases) => set({ phases: phases === "3" ? "3" : "1" })}
            />
            <NumberInput label="Day, kWh" hideControls inputMode="decimal" value={typed.dayKwh} onChange={(dayKwh) => set({ dayKwh })} />
            <NumberInput
              label="Lifetime, kWh"
              hideControls
              inputMode="decimal"
              value={typed.lifetimeKwh}
              onChange={(lifetimeKwh) => set({ lifetimeKwh })}
            />
            <NumberInput
              label={say.lightInThePlaneWM}
              hideControls
              inputMode="decimal"
              placeholder="cloudless"
              value={typed.light}
              onChange={(value) => set({ light: value })}
            />
            <NumberInput
              label="Air, °C"
              hideControls
              inputMode="decimal"
              value={typed.airTempC}
              onChange={(airTempC) => set({ airTempC })}
            />
            <TextInput
              className={styles.wide}
              label={say.stateLightsAndMessagesInYour}
              value={typed.lights}
              onChange={(event) => set({ lights: event.currentTarget.value })}
            />
          </div>
          <WriteDown slug={slug} entry={entry} disabled={report === null} onSaved={() => setTyped(blank)} />
        </section>
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
      </div>
      <p className={chapter.caution}>{say.readDisplaysFromTheFrontThe}</p>
    </>
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
