import { type LimitState, OneLine, type OneLineInverter, oneLineHeight } from "@/charts";
import type { SiteDocument } from "@/contracts/site";
import { LIMIT_KEYS, type Limit, type LimitKey, type StringCheck, siteStringCheck } from "@/core/electrical";
import { type Inverter, isOffGrid } from "@/core/site";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { measure, number } from "@/wording/format";
import { say } from "@/wording/screens/site";
import { say as sayOfWiring } from "@/wording/screens/site-wiring";
import { limitWorking } from "@/wording/workings/site-workings";
import { InvertersSection, MetersSection, POINTS } from "./InvertersSection";
import { OffGridSection } from "./OffGridSection";
import styles from "./SiteChapter.module.css";
import type { SiteForm } from "./site-values";
import type { SiteViewProps } from "./view-parts";

interface Checked {
  readonly arrayId: string;
  readonly name: string;
  readonly inverter: Inverter;
  readonly check: StringCheck;
}

const checksOf = (site: SiteDocument): Checked[] =>
  site.inverters.flatMap((inverter) =>
    site.arrays
      .filter((array) => inverter.arrays.includes(array.id))
      .map((array) => ({
        arrayId: array.id,
        name: array.name || array.id,
        inverter,
        check: siteStringCheck(site, array, inverter),
      })),
  );

function stateOf(check: StringCheck): LimitState {
  const states = LIMIT_KEYS.map((key) => check[key].holds);
  if (states.includes(false)) return "broken";
  return states.every((state) => state === true) ? "holds" : "unknown";
}

/** Strings, inverters and meters as a one-line diagram, with the limits of each string on its inverter checked while it is typed. */
export function WiringView({ slug, draft: { form, site } }: SiteViewProps) {
  const checks = checksOf(site);
  return (
    <>
      <Diagram slug={slug} site={site} checks={checks} moveMeter={(id) => moveMeter(form, id)} />
      <Limits site={site} checks={checks} />
      <div className={`${chapter.columns} ${styles.halves}`}>
        <InvertersSection form={form} />
        <div>
          <MetersSection form={form} />
          <OffGridSection form={form} site={site} />
        </div>
      </div>
    </>
  );
}

interface DiagramProps {
  readonly slug: string;
  readonly site: SiteDocument;
  readonly checks: readonly Checked[];
  readonly moveMeter: (id: string) => void;
}

/** The next metering point along the line, round and round. */
function moveMeter(form: SiteForm, id: string): void {
  const points = POINTS.map((point) => point.value);
  form.setFieldValue(
    "meters",
    form
      .getValues()
      .meters.map((meter) => (meter.id === id ? { ...meter, point: points[(points.indexOf(meter.point) + 1) % points.length]! } : meter)),
  );
}

function Diagram({ slug, site, checks, moveMeter }: DiagramProps) {
  const orphans = site.arrays.filter((array) => !site.inverters.some((inverter) => inverter.arrays.includes(array.id)));
  const inverters: OneLineInverter[] = site.inverters.map((inverter) => {
    const dcW = site.arrays
      .filter((array) => inverter.arrays.includes(array.id))
      .reduce((sum, array) => sum + array.count * site.modules[array.module]!.pmpW, 0);
    const devices = inverter.perModule
      ? site.arrays.filter((array) => inverter.arrays.includes(array.id)).reduce((n, array) => n + array.count, 0)
      : 1;
    return {
      id: inverter.id,
      title: inverter.perModule ? say.oneAModule(inverter.id) : inverter.id,
      lines: [`${number((inverter.acRatedW * devices) / 1000, 1)} kW AC`, say.dcToAc(number(dcW / (inverter.acRatedW * devices), 2))],
      arrays: checks
        .filter((checked) => checked.inverter.id === inverter.id)
        .map(({ arrayId, name, check }) => ({ id: arrayId, name, strings: inWords(check), state: stateOf(check) })),
    };
  });
  if (orphans.length > 0) {
    inverters.push({
      id: " none",
      ...standIn(site),
      arrays: orphans.map((array) => ({ id: array.id, name: array.name || array.id, strings: `${array.count} modules`, state: "unknown" })),
    });
  }
  const height = oneLineHeight(inverters);
  return (
    <ChartFrame
      title="One line"
      note={say.fromTheModulesToTheGrid}
      fileName={`${slug}-one-line`}
      height={height}
      interactive
      summary={say.oneLineDiagramArraysInvertersMeters(site.arrays.length, site.inverters.length, site.meters.length)}
      table={() => [
        ["array", "strings", "modules_in_series", "inverter", "limits"],
        ...checks.map(({ name, check, inverter }) => [name, check.strings, check.modulesInSeries, inverter.id, stateOf(check)]),
      ]}
    >
      {(width) => <OneLine width={width} inverters={inverters} meters={site.meters} isOffGrid={isOffGrid(site)} onMeter={moveMeter} />}
    </ChartFrame>
  );
}

/** What stands where no inverter does. */
function standIn({ chargeController, battery }: SiteDocument): Pick<OneLineInverter, "title" | "lines"> {
  if (!chargeController) return { title: say.noInverterYet, lines: ["96 % assumed"] };
  return {
    title: sayOfWiring.chargeController,
    lines: [
      ...(chargeController.maxA === null ? [] : [`${number(chargeController.maxA)} A`]),
      ...(battery ? [sayOfWiring.batteryOf(number(battery.capacityKwh, 1))] : []),
    ],
  };
}

const inWords = ({ strings, modulesInSeries }: StringCheck): string =>
  modulesInSeries === 1 ? say.onTheirOwn(number(strings)) : `${number(strings)} string${strings === 1 ? "" : "s"} of ${modulesInSeries}`;

const COLUMNS = [
  { key: "coldVoc", head: "open, coldest", unit: "V", sign: "≤" },
  { key: "moduleVoc", head: say.theSameModulesBear, unit: "V", sign: "≤" },
  { key: "hotVmp", head: "working, hottest", unit: "V", sign: "≥" },
  { key: "coldVmp", head: "working, coldest", unit: "V", sign: "≤" },
  { key: "current", head: "current × 1.25", unit: "A", sign: "≤" },
] as const;

function Limits({ site, checks }: { site: SiteDocument; checks: readonly Checked[] }) {
  const first = checks[0]?.check;
  if (!first) return null;
  return (
    <section className={chapter.section}>
      <h2>{say.limitsOfTheStrings}</h2>
      <ScrollBox label={say.limitsOfTheStrings}>
        <RuledTable className={chapter.table}>
          <thead>
            <tr>
              <th scope="col">array</th>
              {COLUMNS.map(({ key, head, unit }) => (
                <th scope="col" key={key}>{`${head}, ${unit}`}</th>
              ))}
              <th scope="col">{say.modulesAStringMayHave}</th>
            </tr>
          </thead>
          <tbody>
            {checks.map((checked) => (
              <tr key={`${checked.inverter.id} ${checked.arrayId}`}>
                <td>{`${checked.name} on ${checked.inverter.id}`}</td>
                {COLUMNS.map(({ key, sign, unit, head }) => (
                  <td key={key}>
                    <Figure plain working={() => limitWorking(site, checked, key, head, unit)}>
                      <LimitText limit={checked.check[key]} guess={guessOf(checked.check, key)} sign={sign} unit={unit} />
                    </Figure>
                  </td>
                ))}
                <td>{checked.check.range ? `${checked.check.range.least} to ${checked.check.range.most}` : "–"}</td>
              </tr>
            ))}
          </tbody>
        </RuledTable>
      </ScrollBox>
      <p className={chapter.soft}>
        {first.recordLowC === null
          ? say.coldestNotKnown(measure(first.coldGuess!.airC, "°C"))
          : say.coldestAirC(measure(first.recordLowC, "°C"))}
        {say.hottestCellsC(measure(first.hotCellC, "°C"), first.isHeatAssumed)}
      </p>
      <p className={chapter.caution}>{say.stringVoltagesCanKillAndArcs}</p>
    </section>
  );
}

interface LimitTextProps {
  readonly limit: Limit;
  readonly guess: number | null;
  readonly sign: string;
  readonly unit: string;
}

/** What a guess at the coldest air would make of a voltage that is not known. */
function guessOf({ coldGuess }: StringCheck, key: LimitKey): number | null {
  if (coldGuess === null || key === "hotVmp" || key === "current") return null;
  return key === "coldVmp" ? coldGuess.vmpV : coldGuess.vocV;
}

function LimitText({ limit, guess, sign, unit }: LimitTextProps) {
  const { value, limit: bound, holds } = limit;
  if (value === null) return <span className={styles.unknown}>{guess === null ? "?" : say.notKnownMaybe(number(guess))}</span>;
  const shown = number(value, unit === "A" ? 1 : 0);
  if (holds === null) return <span className={styles.unknown}>{`${shown} ?`}</span>;
  return (
    <span
      className={holds ? styles.fine : styles.fault}
    >{`${shown} ${sign} ${number(bound!, unit === "A" ? 1 : 0)} ${holds ? "✓" : "!"}`}</span>
  );
}
