import type { SiteDocument } from "@/contracts/site";
import { type ShadedHours, shadeRuleOf } from "@/core/shading";
import type { PvArray } from "@/core/site";
import { type ShadeReport, sumOf } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { DataTable } from "@/features/kit/table/DataTable";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { MONTHS_SHORT } from "@/wording/geometry";
import { say } from "@/wording/screens/site";
import { hoursWorking, obstacleWorking } from "@/wording/workings/site-workings";
import { differenceWorking } from "@/wording/workings/yield-workings";
import { RULE_NAMES } from "./rule-names";

interface ShadedHoursProps {
  readonly hours: ShadedHours;
  readonly array: PvArray;
  readonly report: ShadeReport | null;
  readonly year: string | null;
}

/** Hours of shade on one array by month. */
export function ShadedHoursTable({ hours, array, report, year }: ShadedHoursProps) {
  const lost = report ? report.openKwh.map((kwh, m) => kwh - report.expectedKwh[m]!) : null;
  const rows = MONTHS_SHORT.map(
    (month, m) => [month, hours.sunHours[m]!, hours.partHours[m]!, hours.fullHours[m]!, lost?.[m] ?? null] as const,
  );
  return (
    <section className={chapter.section}>
      <h2>Shaded hours</h2>
      <HoursTable rows={rows} array={array} hours={hours} lost={lost} report={report} year={year} />
    </section>
  );
}

interface HoursTableProps {
  readonly rows: (readonly [string, number, number, number, number | null])[];
  readonly array: PvArray;
  readonly hours: ShadedHours;
  readonly lost: number[] | null;
  readonly report: ShadeReport | null;
  readonly year: string | null;
}

function HoursTable({ rows, array, hours, lost, report, year }: HoursTableProps) {
  return (
    <DataTable
      className={chapter.table}
      rows={rows}
      rowKey={([month]) => month}
      columns={[
        { key: "month", head: "month", cell: ([month]) => month, foot: "year" },
        {
          key: "sun-on-it-h",
          head: say.sunOnItH,
          cell: ([, sun]) => number(sun),
          foot: (
            <>
              <Figure plain working={() => hoursWorking(array.name || array.id, hours)}>
                {number(sumOf(hours.sunHours))}
              </Figure>
            </>
          ),
        },
        {
          key: "part-shaded-h",
          head: say.partShadedH,
          cell: ([, , part]) => (part === 0 ? "–" : number(part)),
          foot: number(sumOf(hours.partHours)),
        },
        {
          key: "as-full-shade-h",
          head: say.asFullShadeH,
          cell: ([, , , full]) => (full === 0 ? "–" : number(full, 1)),
          foot: number(sumOf(hours.fullHours), 1),
        },
        {
          key: "site-loses-kwh",
          head: say.siteLosesKwh,
          cell: ([, , , , kwh]) => (kwh === null ? "…" : number(kwh)),
          foot:
            lost === null ? (
              "…"
            ) : (
              <Figure plain working={() => obstacleWorking("all shade", lost, sumOf(report!.openKwh), year)}>
                {number(sumOf(lost))}
              </Figure>
            ),
        },
      ]}
    />
  );
}

/** What the year would lose under each electrical rule: they differ, and the hardware decides which one holds. */
export function RuleTable({ site, report, year }: { site: SiteDocument; report: ShadeReport | null; year: string | null }) {
  if (!report || report.costs.length === 0) return null;
  const open = sumOf(report.openKwh);
  const inForce = new Set(site.arrays.map((array) => shadeRuleOf(site, array)));
  return (
    <section className={chapter.section}>
      <h2>{say.theSameShadeUnderOtherWiring}</h2>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">{say.shadedCellsBehind}</th>
            <th scope="col">{`${year ?? "cloudless year"}, kWh lost`}</th>
            <th scope="col">{say.ofTheYear}</th>
            <th scope="col" />
          </tr>
        </thead>
        <tbody>
          {report.byRule.map(({ rule, lostKwh }) => (
            <tr key={rule}>
              <td>{RULE_NAMES[rule]}</td>
              <td>
                <Figure
                  plain
                  working={() =>
                    differenceWorking(
                      `Shade behind ${RULE_NAMES[rule]}`,
                      { name: say.expectedWithThisRule, kwh: open - lostKwh },
                      { name: say.expectedWithoutAnyShade, kwh: open },
                    )
                  }
                >
                  {number(lostKwh)}
                </Figure>
              </td>
              <td>{percent(lostKwh / open)}</td>
              <td>{inForce.has(rule) && site.models.shading !== "none" ? "as built" : ""}</td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
      <p className={chapter.soft}>{say.eachStringIsTakenToRun}</p>
    </section>
  );
}
