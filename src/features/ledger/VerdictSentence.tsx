import type { LedgerLine, Verdict } from "@/core/ledger";
import { Figure } from "@/features/kit/figures/Figure";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { kwhDecimals, monthName, number } from "@/wording/format";
import { say } from "@/wording/screens/ledger";
import {
  accountWorking,
  dataGapWorking,
  expectedWorking,
  type LedgerContext,
  meteredWorking,
  unexplainedWorking,
} from "@/wording/workings/ledger-workings";
import styles from "./LedgerSpread.module.css";

/** The page in a sentence or three; its numbers open their working, clay marks what needs work. */
export function VerdictSentence({ verdict, sum, context }: { verdict: Verdict; sum: LedgerLine; context: LedgerContext }) {
  const kwh = (value: number) => number(value, kwhDecimals(sum.referenceKwh / 12));
  if (verdict.kind === "no-weather") return <p className={styles.verdict}>{say.noWeatherYetSoNothingIs}</p>;
  const expected = <Figure working={() => expectedWorking(sum, context)}>{kwh(verdict.expectedKwh)} kWh</Figure>;
  const takers = verdict.largest.map((posting, i) => (
    <span key={posting.account}>
      {i === 0 ? "" : i === verdict.largest.length - 1 ? " and " : ", "}
      {ACCOUNT_NAMES[posting.account].name.toLowerCase()}
      {i === 0 ? " took " : " "}
      <Figure working={() => accountWorking(sum, posting.account, context)}>{kwh(posting.kwh)}</Figure>
    </span>
  ));
  if (verdict.kind === "no-readings") {
    return (
      <p className={styles.verdict}>
        {say.theSunOwed}
        {expected}
        {say.nothingIsMeteredYetOnThe}
        {takers}
        {say.bringAProductionFileInThe}
      </p>
    );
  }
  return (
    <p className={styles.verdict}>
      {say.theSunOwed}
      {expected}
      {say.theMeterPaid}
      <Figure working={() => meteredWorking(sum, context)}>{kwh(verdict.meteredKwh)}</Figure>
      {say.onTheWay}
      {takers}.{" "}
      {verdict.dataGapKwh > 0.005 * verdict.expectedKwh && (
        <>
          <Figure working={() => dataGapWorking(sum, context)}>{kwh(verdict.dataGapKwh)}</Figure> {say.fellInUnreadTime}
        </>
      )}
      <RemainderClause verdict={verdict} sum={sum} context={context} kwh={kwh} />
    </p>
  );
}

function RemainderClause({
  verdict,
  sum,
  context,
  kwh,
}: {
  verdict: Extract<Verdict, { unexplainedKwh: number }>;
  sum: LedgerLine;
  context: LedgerContext;
  kwh: (value: number) => string;
}) {
  const figure = <Figure working={() => unexplainedWorking(sum, context)}>{kwh(Math.abs(verdict.unexplainedKwh))} kWh</Figure>;
  const where = verdict.worstKey === null ? "" : say.mostOfThemIn(monthName(verdict.worstKey));
  if (verdict.kind === "short")
    return (
      <strong className={styles.needsLook}>
        {figure} {say.haveNoCauseYet(where)}
      </strong>
    );
  if (verdict.kind === "over")
    return (
      <span>
        {figure} {say.cameAboveWhatTheModelOwes(where)}
      </span>
    );
  return (
    <span className={styles.settled}>
      The rest, {figure}
      {say.isWithinWhatInstrumentsCanTell}
    </span>
  );
}
