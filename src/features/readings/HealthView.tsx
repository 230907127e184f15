"use client";

import { Button, NumberInput, SegmentedControl, Select } from "@mantine/core";
import { useState } from "react";
import { checkDisplay, type DisplayCheck, type HealthSide, healthSide, promisedKwh, USUAL_TOLERANCE } from "@/core/readings";
import { DAY_MS } from "@/core/units";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { DateField } from "@/features/kit/look/DateField";
import segments from "@/features/kit/look/segments.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { dateName, number, percent } from "@/wording/format";
import { healthWorking } from "@/wording/workings/health-working";
import { type ImportDeskProps, ImportSteps } from "./ImportDesk";
import styles from "./ReadingsChapter.module.css";
import { useImport } from "./use-import";

export interface HealthBasisProps {
  readonly days: readonly string[];
  readonly expectedKwh: readonly number[];
  readonly promiseKwh: readonly number[] | null;
  readonly commissioned: string | null;
}

interface Props extends ImportDeskProps {
  readonly basis: HealthBasisProps;
}

type Way = "day" | "lifetime";
const nextDay = (date: string): string => new Date(Date.parse(`${date}T00:00:00Z`) + DAY_MS).toISOString().slice(0, 10);
const daysBetween = (from: string, to: string): number => Math.round((Date.parse(to) - Date.parse(from)) / DAY_MS);

/** As done at the wall: a day's total, or the lifetime by the days in service, against the promise and the expected for those very days. */
export function HealthView(props: Props) {
  const { basis } = props;
  const [way, setWay] = useState<Way>("day");
  const lastDay = basis.days.at(-1) ?? new Date().toISOString().slice(0, 10);
  const [from, setFrom] = useState(basis.commissioned ?? basis.days[0] ?? lastDay);
  const [on, setOn] = useState(lastDay);
  const [kwh, setKwh] = useState<number | string>("");
  const [toleranceKwh, setToleranceKwh] = useState<number | string>(USUAL_TOLERANCE.kwh);
  const [tolerancePercent, setTolerancePercent] = useState<number | string>(USUAL_TOLERANCE.frac * 100);
  const tolerance = { kwh: Number(toleranceKwh), frac: Number(tolerancePercent) / 100 };
  const span = way === "day" ? { from: on, to: nextDay(on) } : { from, to: nextDay(on) };
  const expected = expectedOver(basis, span.from, span.to);
  const promise = basis.promiseKwh ? promisedKwh(basis.promiseKwh, span.from, span.to) : null;
  const read = kwh === "" ? null : Number(kwh);
  return (
    <>
      <p className={chapter.verdict} data-testid="health-verdict">
        {read === null
          ? "Type what the display shows; it is set against what was promised and what the sun owed for those very days."
          : sentence(read, way, span, expected, promise, tolerance)}
      </p>
      <div className={`${chapter.columns} ${styles.columns}`}>
        <section className={chapter.section}>
          <h2>What the display shows</h2>
          <SegmentedControl
            classNames={segments}
            size="xs"
            data={[
              { value: "day", label: "Total of a day" },
              { value: "lifetime", label: "Lifetime since the start" },
            ]}
            value={way}
            onChange={(value) => setWay(value)}
          />
          <div className={styles.options}>
            <NumberInput label={way === "day" ? "Day total, kWh" : "Lifetime, kWh"} value={kwh} onChange={setKwh} hideControls min={0} />
            <DateField
              label={way === "day" ? "Of the day" : "Read in the evening of"}
              value={on}
              onChange={(value) => value && setOn(value)}
            />
            {way === "lifetime" && <DateField label="In service since" value={from} onChange={(value) => value && setFrom(value)} />}
          </div>
          <div className={styles.options}>
            <NumberInput label="In tolerance within, kWh" value={toleranceKwh} onChange={setToleranceKwh} hideControls min={0} />
            <NumberInput label="or within, %" value={tolerancePercent} onChange={setTolerancePercent} hideControls min={0} max={100} />
          </div>
          {read !== null && (
            <RuledTable className={chapter.table}>
              <thead>
                <tr>
                  <th scope="col">set against</th>
                  <th scope="col">measure, kWh</th>
                  <th scope="col">difference, kWh</th>
                  <th scope="col">share</th>
                  <th scope="col">in tolerance</th>
                </tr>
              </thead>
              <tbody>
                <SideRow
                  name="expected, by the weather that came"
                  side={expected && healthSide(read * expected.knownFrac, expected.kwh, tolerance)}
                  read={read}
                  span={span}
                  basis={basis}
                  kind="expected"
                />
                <SideRow
                  name="promise, by the days themselves"
                  side={promise === null ? null : healthSide(read, promise, tolerance)}
                  read={read}
                  span={span}
                  basis={basis}
                  kind="promise"
                />
              </tbody>
            </RuledTable>
          )}
        </section>
        <DisplaySection {...props} />
      </div>
      <p className={chapter.caution}>
        Read displays from the front. Opening a cover, a terminal or a DC isolator under load can kill and burn; leave it to a licensed
        electrician, and follow the maker’s procedure and the local code.
      </p>
    </>
  );
}

interface Expected {
  readonly kwh: number;
  /** Share of the days for which weather stands in the book. */
  readonly knownFrac: number;
}

function expectedOver({ days, expectedKwh }: HealthBasisProps, from: string, to: string): Expected | null {
  let [kwh, known] = [0, 0];
  days.forEach((day, k) => {
    if (day < from || day >= to) return;
    kwh += expectedKwh[k]!;
    known++;
  });
  const all = daysBetween(from, to);
  return known > 0 && all > 0 ? { kwh, knownFrac: Math.min(1, known / all) } : null;
}

function sentence(
  read: number,
  way: Way,
  span: { from: string; to: string },
  expected: Expected | null,
  promise: number | null,
  tolerance: { kwh: number; frac: number },
): string {
  const days = daysBetween(span.from, span.to);
  const what =
    way === "day"
      ? `${number(read, 1)} kWh on ${dateName(span.from)}`
      : `${number(read)} kWh in ${number(days)} days, ${number(read / Math.max(1, days), 1)} kWh a day`;
  if (expected && expected.knownFrac > 0.98) {
    const side = healthSide(read, expected.kwh, tolerance);
    const off = `${number(Math.abs(side.differenceKwh), 1)} kWh ${side.differenceKwh < 0 ? "under" : "over"} the ${number(expected.kwh, 1)} kWh that the sun owed`;
    const promised =
      promise === null
        ? ""
        : ` The promise says ${number(promise, 1)} kWh for ${way === "day" ? "a day of that month" : "those very days"}.`;
    return `${side.within ? "In tolerance" : "Out of tolerance"}: ${what}, ${off} (${percent(side.ratio, 0)}).${promised}`;
  }
  if (promise !== null) {
    const side = healthSide(read, promise, tolerance);
    return `${side.within ? "In tolerance of the promise" : "Out of the promise’s tolerance"}: ${what} against ${number(promise, 1)} kWh promised for those very days. ${expected ? `Weather stands for ${percent(expected.knownFrac, 0)} of them only.` : "No weather stands for them, so a dull day can’t be told from a weak plant."}`;
  }
  return `${what}. Neither weather nor a promise stands in the book for those days; bring one of them.`;
}

interface SideProps {
  readonly name: string;
  readonly side: HealthSide | null;
  readonly read: number;
  readonly span: { readonly from: string; readonly to: string };
  readonly basis: HealthBasisProps;
  readonly kind: "expected" | "promise";
}

function SideRow({ name, side, read, span, basis, kind }: SideProps) {
  if (!side)
    return (
      <tr>
        <td>{name}</td>
        <td colSpan={4}>{kind === "promise" ? "no promise in the book" : "no weather in the book for these days"}</td>
      </tr>
    );
  return (
    <tr>
      <td>{name}</td>
      <td>
        <Figure plain working={() => healthWorking(kind, side, read, span, basis)}>
          {number(side.measureKwh, 1)}
        </Figure>
      </td>
      <td>{number(side.differenceKwh, 1)}</td>
      <td>{Number.isNaN(side.ratio) ? "–" : percent(side.ratio)}</td>
      <td className={side.within ? undefined : chapter.clay}>{side.within ? "yes" : "no"}</td>
    </tr>
  );
}

const FAULTS: Readonly<Record<DisplayCheck["faults"][number], string>> = {
  "more-ac-than-dc": "More AC than DC is impossible: one of the figures was read at another moment, or belongs to another input.",
  "poor-efficiency":
    "Less than 88 % comes through: an input was left out, the figures are of different moments, or the inverter loses more than it should.",
  "inputs-unequal": "One input carries clearly less current than another: shade, dirt, a module or a string out, or fewer modules in it.",
  "ac-disagrees": "AC volts times amps do not give the watts shown: read at another moment, or more than one phase.",
};

function DisplaySection(props: ImportDeskProps) {
  const [meter, setMeter] = useState<string | null>(props.meters[0] ?? null);
  const [at, setAt] = useState(() => new Date().toISOString().slice(0, 16));
  const [values, setValues] = useState<Record<string, number | string>>({});
  const way = useImport(props.slug);
  const field = (name: string, label: string) => (
    <NumberInput
      size="xs"
      label={label}
      value={values[name] ?? ""}
      onChange={(value) => setValues({ ...values, [name]: value })}
      hideControls
      min={0}
    />
  );
  const number_ = (name: string): number => (values[name] === undefined || values[name] === "" ? Number.NaN : Number(values[name]));
  const check = checkDisplay({
    dcInputs: [1, 2, 3].map((k) => ({ volts: number_(`dcV${k}`), amps: number_(`dcA${k}`) })),
    acVolts: number_("acV"),
    acAmps: number_("acA"),
    acW: number_("acW"),
  });
  const lifetime = number_("lifetime");
  const keep = () =>
    void way.take([
      new File(
        [`time;counter_kwh${props.meters.length > 1 && meter ? `:${meter}` : ""}\n${at.replace("T", " ")};${lifetime}\n`],
        `display ${at.replace("T", " ")}.csv`,
      ),
    ]);
  return (
    <section className={chapter.section}>
      <h2>All that the display shows</h2>
      <div className={styles.display}>
        {[1, 2, 3].map((k) => (
          <div key={k} className={styles.line}>
            {field(`dcV${k}`, `DC input ${k}, V`)}
            {field(`dcA${k}`, `DC input ${k}, A`)}
          </div>
        ))}
        <div className={styles.line}>
          {field("acV", "AC, V")}
          {field("acA", "AC, A")}
          {field("acW", "AC, W")}
        </div>
        <div className={styles.line}>
          {field("lifetime", "Lifetime, kWh")}
          <DateField label="Read at" type="datetime-local" value={at} onChange={(value) => value && setAt(value)} />
          {props.meters.length > 1 && (
            <Select size="xs" label="Meter" data={[...props.meters]} value={meter} onChange={setMeter} allowDeselect={false} />
          )}
        </div>
      </div>
      <p data-testid="display-verdict">{displayWords(check)}</p>
      <div className={chapter.actions}>
        <Button variant="default" disabled={Number.isNaN(lifetime)} onClick={keep}>
          Keep the lifetime reading
        </Button>
      </div>
      <ImportSteps {...props} way={way} />
    </section>
  );
}

function displayWords({ dcW, efficiencyFrac, balanceFrac, faults }: DisplayCheck): string {
  if (Number.isNaN(efficiencyFrac) && Number.isNaN(balanceFrac))
    return "DC volts times amps of all inputs, beside the AC watts, tell whether the figures agree.";
  const sentences = [
    Number.isNaN(efficiencyFrac) ? "" : `${percent(efficiencyFrac)} of ${number(dcW)} W DC come through as AC.`,
    Number.isNaN(balanceFrac) ? "" : `The weakest input carries ${percent(balanceFrac, 0)} of the strongest one’s current.`,
  ];
  return [...sentences, ...(faults.length > 0 ? faults.map((fault) => FAULTS[fault]) : ["The figures agree with each other."])]
    .filter(Boolean)
    .join(" ");
}
