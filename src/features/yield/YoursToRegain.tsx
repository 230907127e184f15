"use client";

import Link from "next/link";
import { AVOIDABLE_ACCOUNTS, FOUND_ACCOUNTS, type FoundAccount } from "@/core/accounts";
import { avoidableKwh, foundSumKwh, isUsualYear, type LedgerLine } from "@/core/ledger";
import { pricePerKwh } from "@/core/money";
import { Figure } from "@/features/kit/figures/Figure";
import { KnownFigure } from "@/features/kit/figures/KnownFigure";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { BRING_WORDS } from "@/wording/basis";
import { number } from "@/wording/format";
import { REGAIN, say } from "@/wording/screens/yield-shares";
import {
  avoidableWorking,
  avoidableWorthWorking,
  foundSumWorking,
  foundWorking,
  foundWorthWorking,
} from "@/wording/workings/found-workings";
import {
  dataGapWorking,
  type LedgerContext,
  meteredWorking,
  unexplainedWorking,
  unmatchedWorking,
} from "@/wording/workings/ledger-workings";
import styles from "./Shares.module.css";
import { Swatch } from "./Swatch";
import { LEAST_KWH, type SharesProps } from "./shares-props";

/** What was found beside the plan: first what somebody can do something about, with what to do; then the rest, down to the meter. */
export function YoursToRegain({ slug, sum, context, decimals }: SharesProps) {
  if (sum.meteredKwh === null) {
    return (
      <section className={styles.book}>
        <h2>{say.yoursToRegain}</h2>
        <p>
          {say.nothingIsMeteredYet} <Link href={`/books/${slug}/readings`}>{say.bringAProductionFile}</Link>
        </p>
      </section>
    );
  }
  if (isUsualYear(sum)) {
    return (
      <section className={styles.book}>
        <h2>{say.yoursToRegain}</h2>
        <p>
          {say.nothingHeldAgainstAUsualYear} <Link href={`/books/${slug}/readings`}>{BRING_WORDS["measured-weather"]}</Link>
        </p>
      </section>
    );
  }
  const price = pricePerKwh(context.site);
  const named = FOUND_ACCOUNTS.filter((account) => Math.abs(sum.foundKwh[account]) >= LEAST_KWH);
  const regain = named
    .filter((account) => AVOIDABLE_ACCOUNTS.includes(account) && sum.foundKwh[account] > 0)
    .sort((a, b) => sum.foundKwh[b] - sum.foundKwh[a]);
  const rest = named.filter((account) => !regain.includes(account));
  const row = { slug, sum, context, decimals };
  return (
    <section className={styles.book}>
      <h2>{say.yoursToRegain}</h2>
      {!sum.isSought && <p>{say.causesHaveNotBeenSought}</p>}
      {sum.isSought && regain.length === 0 && <p>{say.nothingToRegain}</p>}
      <RuledTable fileName="found-losses" aria-label={say.yoursToRegain}>
        <thead>
          <tr>
            <th scope="col">{say.foundBesideThePlan}</th>
            <th scope="col">kWh</th>
            <th scope="col">{price === null ? "" : context.site.currency}</th>
          </tr>
        </thead>
        <tbody>
          {regain.map((account) => (
            <LossRow key={account} account={account} price={price} isToRegain {...row} />
          ))}
          {regain.length > 0 && <RegainTotal sum={sum} context={context} decimals={decimals} price={price} />}
          {rest.length > 0 && <GroupHead name={say.foundAndNotToBeHelped} />}
          {rest.map((account) => (
            <LossRow key={account} account={account} price={null} isToRegain={false} {...row} />
          ))}
          <DownToTheMeter sum={sum} context={context} decimals={decimals} />
        </tbody>
      </RuledTable>
    </section>
  );
}

type RowProps = Pick<SharesProps, "sum" | "context" | "decimals">;

const GroupHead = ({ name }: { name: string }) => (
  <tr>
    <th scope="rowgroup" colSpan={3} className={styles.group}>
      {name}
    </th>
  </tr>
);

interface LossRowProps extends RowProps {
  readonly slug: string;
  readonly account: FoundAccount;
  /** Null where nobody would get the money back. */
  readonly price: number | null;
  readonly isToRegain: boolean;
}

function LossRow({ slug, account, price, isToRegain, sum, context, decimals }: LossRowProps) {
  const way = isToRegain ? REGAIN[account] : undefined;
  return (
    <tr>
      <th scope="row">
        <Swatch account={account} />
        {ACCOUNT_NAMES[account].name}
        {way && (
          <small>
            <Link href={`/books/${slug}/${way.path(sum.key.slice(0, 4))}`}>{way.what}</Link>
          </small>
        )}
      </th>
      <td>
        <Figure plain name={`found-${account}/${sum.key}`} working={() => foundWorking(sum, account, context)}>
          {number(sum.foundKwh[account], decimals)}
        </Figure>
      </td>
      <td className={styles.soft}>
        {price !== null && (
          <Figure plain name={`found-${account}-worth/${sum.key}`} working={() => foundWorthWorking(sum, account, price, context)}>
            {number(sum.foundKwh[account] * price)}
          </Figure>
        )}
      </td>
    </tr>
  );
}

function RegainTotal({ sum, context, decimals, price }: RowProps & { price: number | null }) {
  const all = avoidableKwh(sum);
  return (
    <tr data-total>
      <th scope="row">{say.toRegain}</th>
      <td>
        <Figure plain name={`avoidable/${sum.key}`} working={() => avoidableWorking(sum, context)}>
          {number(all, decimals)}
        </Figure>
      </td>
      <td>
        {price !== null && (
          <Figure plain name={`avoidable-worth/${sum.key}`} working={() => avoidableWorthWorking(sum, price, context)}>
            {number(all * price)}
          </Figure>
        )}
      </td>
    </tr>
  );
}

/** From expected to metered, in as few lines as it takes. */
function DownToTheMeter({ sum, context, decimals }: RowProps) {
  const row = { sum, context, decimals };
  return (
    <>
      <GroupHead name={say.downToTheMeter} />
      {sum.isSought && <Closing name={say.foundInAll} figure="found" kwh={foundSumKwh(sum)} working={foundSumWorking} {...row} />}
      {sum.dataGapKwh >= LEAST_KWH && (
        <Closing name={ACCOUNT_NAMES.dataGap.name} figure="data-gap" kwh={sum.dataGapKwh} working={dataGapWorking} {...row} />
      )}
      <Closing name={ACCOUNT_NAMES.unexplained.name} figure="unexplained" kwh={sum.unexplainedKwh} working={unexplainedWorking} {...row} />
      {sum.unmatchedKwh >= LEAST_KWH && (
        <Closing name={say.meteredWithoutWeather} figure="unmatched" kwh={sum.unmatchedKwh} working={unmatchedWorking} {...row} />
      )}
      <Closing name="Metered" figure="metered" kwh={sum.meteredKwh} working={meteredWorking} isTotal {...row} />
    </>
  );
}

interface ClosingProps extends RowProps {
  readonly name: string;
  readonly figure: string;
  /** Null where it is not known. */
  readonly kwh: number | null;
  readonly working: (line: LedgerLine, context: LedgerContext) => ReturnType<typeof meteredWorking>;
  readonly isTotal?: boolean;
}

const Closing = ({ name, figure, kwh, sum, working, context, decimals, isTotal = false }: ClosingProps) => (
  <tr data-total={isTotal || undefined}>
    <th scope="row">{name}</th>
    <td>
      <KnownFigure
        name={`${figure}/${sum.key}`}
        value={kwh}
        say={(known) => number(known, decimals)}
        working={() => working(sum, context)}
      />
    </td>
    <td />
  </tr>
);
