"use client";

import { useEffect, useState } from "react";
import type { DesignAccount } from "@/core/accounts";
import { designLosses, type LedgerLine } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { Term } from "@/features/kit/help/Term";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { number, percent } from "@/wording/format";
import { DESIGN_GROUPS, say } from "@/wording/screens/yield-shares";
import { designShareWorking, designWorking, expectedShareWorking } from "@/wording/workings/found-workings";
import { expectedWorking, type LedgerContext, referenceWorking } from "@/wording/workings/ledger-workings";
import { removalWorking, uncertaintyWorking } from "@/wording/workings/yield-workings";
import type { Removal } from "./engine-types";
import styles from "./Shares.module.css";
import { Swatch } from "./Swatch";
import { LEAST_KWH, type SharesProps } from "./shares-props";

/** Design losses in ruled postings, grouped by where they happen. */
export function PlantsShare(props: SharesProps) {
  const { sum, context, uncertainty, decimals } = props;
  const removals = useRemovals(props);
  const planned = designLosses(sum);
  const kwh = (value: number): string => number(value, decimals);
  return (
    <section className={styles.book}>
      <h2>{say.thePlantsShare}</h2>
      <RuledTable fileName="design-losses" aria-label={say.thePlantsShare}>
        <thead>
          <tr>
            <th scope="col">
              <Term>{say.designLoss}</Term>
            </th>
            <th scope="col">kWh</th>
            <th scope="col">{say.ofReference}</th>
            <th scope="col" title={say.energyAtTheMeterThatWould}>
              <Term>{say.gainedIfRemoved}</Term>
            </th>
          </tr>
        </thead>
        <tbody>
          <tr data-total>
            <th scope="row">Reference</th>
            <td>
              <Figure plain name={`reference/${sum.key}`} working={() => referenceWorking(sum, context)}>
                {kwh(sum.referenceKwh)}
              </Figure>
            </td>
            <td />
            <td />
          </tr>
          {DESIGN_GROUPS.map(({ id, name, accounts }) => (
            <DesignGroup
              key={id}
              name={name}
              accounts={accounts.filter((account) => Math.abs(planned[account]) >= LEAST_KWH)}
              planned={planned}
              removals={removals}
              sum={sum}
              context={context}
              kwh={kwh}
            />
          ))}
          <ExpectedRow sum={sum} context={context} uncertainty={uncertainty} kwh={kwh} />
        </tbody>
      </RuledTable>
    </section>
  );
}

interface ExpectedRowProps extends Pick<SharesProps, "sum" | "context" | "uncertainty"> {
  readonly kwh: (value: number) => string;
}

function ExpectedRow({ sum, context, uncertainty, kwh }: ExpectedRowProps) {
  return (
    <tr data-total>
      <th scope="row">Expected</th>
      <td>
        <Figure plain name={`expected/${sum.key}`} working={() => expectedWorking(sum, context)}>
          {kwh(sum.expectedKwh)}
        </Figure>
      </td>
      <td>
        <Figure plain working={() => expectedShareWorking(sum, context)}>
          {percent(sum.expectedKwh / Math.max(1e-9, sum.referenceKwh))}
        </Figure>
      </td>
      <td>
        <Figure plain working={() => uncertaintyWorking(uncertainty, sum.expectedKwh)}>
          ± {kwh(uncertainty.halfWidth90Frac * sum.expectedKwh)}
        </Figure>
      </td>
    </tr>
  );
}

interface DesignGroupProps {
  readonly name: string;
  readonly accounts: readonly DesignAccount[];
  readonly planned: Readonly<Record<DesignAccount, number>>;
  readonly removals: ReadonlyMap<DesignAccount, number> | null;
  readonly sum: LedgerLine;
  readonly context: LedgerContext;
  readonly kwh: (value: number) => string;
}

function DesignGroup({ name, accounts, planned, removals, sum, context, kwh }: DesignGroupProps) {
  if (accounts.length === 0) return null;
  return (
    <>
      <tr>
        <th scope="rowgroup" colSpan={4} className={styles.group}>
          {name}
        </th>
      </tr>
      {accounts.map((account) => {
        const gain = removals?.get(account);
        return (
          <tr key={account}>
            <th scope="row">
              <Swatch account={account} />
              {ACCOUNT_NAMES[account].name}
            </th>
            <td>
              <Figure plain name={`design-${account}/${sum.key}`} working={() => designWorking(sum, account, context)}>
                {kwh(planned[account])}
              </Figure>
            </td>
            <td className={styles.soft}>
              <Figure plain working={() => designShareWorking(sum, account, context)}>
                {percent(planned[account] / Math.max(1e-9, sum.referenceKwh))}
              </Figure>
            </td>
            <td className={styles.soft}>
              {gain === undefined ? (
                ""
              ) : (
                <Figure plain working={() => removalWorking(account, gain, sum.expectedKwh)}>
                  {kwh(gain)}
                </Figure>
              )}
            </td>
          </tr>
        );
      })}
    </>
  );
}

/** Gains if removed, of the months shown; null while they are reckoned, or when the months lie outside the year. */
function useRemovals({ engine, lines, year, months }: SharesProps): ReadonlyMap<DesignAccount, number> | null {
  const [removals, setRemovals] = useState<readonly Removal[] | null>(null);
  useEffect(() => {
    if (engine) void engine.removals().then(setRemovals);
  }, [engine]);
  if (!removals || lines.some((line) => !line.key.startsWith(year))) return null;
  const ofYear = months.filter((line) => line.key.startsWith(year)).map((line) => line.key);
  const sumShown = (kwh: readonly number[]): number => lines.reduce((sum, line) => sum + (kwh[ofYear.indexOf(line.key)] ?? 0), 0);
  return new Map(removals.map((removal) => [removal.account, sumShown(removal.gainIfRemovedKwh)]));
}
