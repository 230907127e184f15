"use client";

import type { RefObject } from "react";
import { WaterfallBar, type WaterfallBarProps } from "@/charts";
import type { LedgerAccount } from "@/core/accounts";
import type { LedgerLine } from "@/core/ledger";
import type { Uncertainty } from "@/core/yield";
import { Figure } from "@/features/kit/figures/Figure";
import { SaveMenu } from "@/features/kit/save/SaveMenu";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { number, percent } from "@/wording/format";
import { say } from "@/wording/screens/yield";
import type { Working } from "@/wording/workings/working";
import { removalWorking } from "@/wording/workings/yield-workings";
import styles from "./Yield.module.css";

export interface Step {
  readonly key: string;
  readonly code: string;
  readonly name: string;
  readonly account: WaterfallBarProps["account"];
  readonly fromKwh: number;
  readonly toKwh: number;
  readonly shownKwh: number;
  readonly working: () => Working;
  readonly gainIfRemovedKwh: number | null;
}

interface StepsTableProps {
  readonly slug: string;
  readonly picture: RefObject<SVGSVGElement | null>;
  readonly steps: Step[];
  readonly floor: number;
  readonly domain: readonly [number, number];
  readonly decimals: number;
  readonly uncertainty: Uncertainty;
  readonly sum: LedgerLine;
}

export function StepsTable({ slug, picture, steps, floor, domain, decimals, uncertainty, sum }: StepsTableProps) {
  return (
    <RuledTable>
      <caption>
        {say.fromTheSunToTheMeter}
        <SaveMenu
          title={say.fromTheSunToTheMeter}
          fileName={`${slug}-waterfall`}
          picture={() => picture.current}
          table={() => [["account", "kwh", "gain_if_removed_kwh"], ...steps.map((s) => [s.key, s.shownKwh, s.gainIfRemovedKwh])]}
        />
      </caption>
      <StepsHead floor={floor} />
      <tbody>
        {steps.map((step) => (
          <tr key={step.key} data-total={step.account === "total" || step.account === "metered" || undefined}>
            <td className={styles.code}>{step.code}</td>
            <td className={styles.name}>{step.name}</td>
            <td className={styles.bar}>
              <WaterfallBar
                {...step}
                domain={domain}
                height={23}
                label={`${step.name}: ${number(step.shownKwh, decimals)} kWh`}
                {...(step.key === "expected" ? { halfKwh: uncertainty.halfWidth90Frac * sum.expectedKwh } : {})}
              />
            </td>
            <td>
              <Figure plain working={step.working}>
                {number(step.shownKwh, decimals)}
              </Figure>
            </td>
            <td className={styles.soft}>{percent(Math.abs(step.shownKwh) / sum.referenceKwh)}</td>
            <td className={styles.soft}>
              {step.gainIfRemovedKwh === null ? (
                ""
              ) : (
                <Figure plain working={() => removalWorking(step.account as LedgerAccount, step.gainIfRemovedKwh ?? 0, sum.expectedKwh)}>
                  {number(step.gainIfRemovedKwh, decimals)}
                </Figure>
              )}
            </td>
          </tr>
        ))}
      </tbody>
    </RuledTable>
  );
}

interface StepsHeadProps {
  readonly floor: number;
}

/** What stands in the columns. */
function StepsHead({ floor }: StepsHeadProps) {
  return (
    <thead>
      <tr>
        <th scope="col" colSpan={2}>
          account
        </th>
        <th scope="col" className={styles.barHead}>
          {say.barsBeginAtKwh(number(floor))}
        </th>
        <th scope="col">kWh</th>
        <th scope="col">of reference</th>
        <th scope="col" title={say.energyAtTheMeterThatWould}>
          {say.gainedIfRemoved}
        </th>
      </tr>
    </thead>
  );
}
