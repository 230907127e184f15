"use client";
import { byVoltage, type CableRun, type SectionChoice } from "@/core/electrical";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent, sectionName } from "@/wording/format";
import { say } from "@/wording/screens/calculators-cable";
import type { SunTold } from "@/wording/sun-told";
import { sectionWorking } from "@/wording/workings/electrical-workings";
import type { BenchProps } from "../bench-views";

/** A drop that codes and makers call too much. Source: IEC 60364-7-712, recommended voltage drop. */
export const MUCH_DROP_FRAC = 0.03;
const LOW_VOLTAGES_V = [12, 24, 48, 120, 360, 600] as const;

/** What a choice of section is reckoned from. */
export interface SectionFacts {
  readonly lengthM: number;
  readonly currentA: number;
  readonly voltageV: number;
  readonly squaredHours: number;
  readonly worth: number;
  readonly currency: string;
  readonly sun: SunTold;
}

interface CrossSectionsTableProps {
  readonly site: BenchProps["site"];
  readonly choices: SectionChoice[];
  readonly best: SectionChoice | null;
  /** The section that is there or is thought of. */
  readonly own: SectionChoice | null;
  readonly facts: SectionFacts;
}

export function CrossSectionsTable({ site, choices, best, own, facts }: CrossSectionsTableProps) {
  return (
    <ScrollBox label="Sections">
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">section, mm²</th>
            <th scope="col">drop, V</th>
            <th scope="col">drop</th>
            <th scope="col">{say.lostAYearKwh}</th>
            <th scope="col">{`cable, ${site.currency}`}</th>
            <th scope="col">{say.overItsLife(site.currency)}</th>
          </tr>
        </thead>
        <tbody>
          {choices.map((choice) => (
            <tr key={choice.areaMm2} style={choice === (own ?? best) ? { background: "var(--paper-deep)", fontWeight: 700 } : undefined}>
              <td>{`${sectionName(choice.areaMm2)}${choice === own ? ` ${say.yours}` : choice === best ? ` ${say.leastMark}` : ""}`}</td>
              <Cells working={() => sectionWorking(choice, facts)}>
                {[
                  number(choice.dropV, 2),
                  percent(choice.dropFrac, 2),
                  number(choice.lossKwhPerYear, 1),
                  number(choice.cost),
                  number(choice.lifeCost),
                ]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

interface LowVoltagesProps {
  readonly run: CableRun;
  /** The section that the run is shown with. */
  readonly section: SectionChoice | null;
  readonly facts: SectionFacts;
}

/** The same run at other system voltages. */
export function LowVoltages({ run, section, facts }: LowVoltagesProps) {
  return (
    <section className={chapter.section}>
      <h2>{say.whyAHigherVoltage}</h2>
      <p className={chapter.soft}>{say.theSameWThroughMmHalf(number(run.currentA * run.voltageV), sectionName(section?.areaMm2 ?? 4))}</p>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            <th scope="col">at, V</th>
            <th scope="col">current, A</th>
            <th scope="col">drop</th>
            <th scope="col">{say.lostAYearKwh}</th>
          </tr>
        </thead>
        <tbody>
          {byVoltage(run, section?.areaMm2 ?? 4, LOW_VOLTAGES_V).map(({ voltageV, currentA, choice }) => (
            <tr key={voltageV}>
              <td>{voltageV}</td>
              <Cells
                working={() => sectionWorking(choice, { ...facts, currentA, voltageV })}
                className={choice.dropFrac > MUCH_DROP_FRAC ? chapter.clay : undefined}
              >
                {[
                  number(currentA, 1),
                  choice.dropFrac > 1 ? "can’t be" : percent(choice.dropFrac, 2),
                  choice.dropFrac > 1 ? "–" : number(choice.lossKwhPerYear),
                ]}
              </Cells>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </section>
  );
}
