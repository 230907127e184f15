"use client";

import { Button, TextInput } from "@mantine/core";
import type { Dispatch, SetStateAction } from "react";
import type { ClosedMonth, Keeping, KeepingAction, PostingRow } from "@/contracts/keeping";
import type { LedgerAccount } from "@/core/accounts";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/ledger-attribution";
import type { Working } from "@/wording/workings/working";
import styles from "./Causes.module.css";

function postingWorking(month: string, posting: PostingRow, { transfers }: Keeping): Working {
  const { account, plannedKwh, foundKwh, finalKwh } = posting;
  const moved = transfers.filter((transfer) => transfer.month === month && (transfer.from === account || transfer.to === account));
  return {
    title: `${ACCOUNT_NAMES[account].name}, ${month}`,
    value: number(finalKwh, 1),
    unit: "kWh",
    formula: say.foundWhatWasMovedAway,
    inputs: [
      ...(plannedKwh === null ? [] : [{ name: say.planned, value: `${number(plannedKwh, 1)} kWh`, from: say.designLossAtItsStage }]),
      { name: "found", value: `${number(foundKwh, 1)} kWh`, from: say.evidenceMinusPlanAtTheMeter },
      ...moved.map(({ from, kwh, reason }) => ({
        name: from === account ? "moved away" : "moved here",
        value: `${number(kwh, 1)} kWh`,
        from: reason,
      })),
    ],
    source: say.docsMethodsMdTheAccount,
    assumptions: [say.expectedIsNeverMoved],
  };
}

const drifts = (closed: ClosedMonth, { account, finalKwh }: { account: LedgerAccount; finalKwh: number }): boolean =>
  Math.abs(asClosed(closed, account) - finalKwh) > 0.5;

export const asClosed = (closed: ClosedMonth, account: LedgerAccount): number =>
  closed.postings.find((posting) => posting.account === account)?.foundKwh ?? 0;

interface RowActionsProps {
  readonly month: string;
  readonly account: LedgerAccount;
  readonly isAccepted: boolean;
  readonly act: (action: KeepingAction) => void;
  readonly move: (account: LedgerAccount) => void;
}

function RowActions({ month, account, isAccepted, act, move }: RowActionsProps) {
  if (account === "dataGap") return null;
  const { name } = ACCOUNT_NAMES[account];
  return (
    <>
      {isAccepted ? (
        <span className={styles.entry}>accepted</span>
      ) : (
        <Button variant="subtle" size="compact-xs" aria-label={`Accept ${name}`} onClick={() => act({ action: "accept", month, account })}>
          accept
        </Button>
      )}
      <Button variant="subtle" size="compact-xs" aria-label={`Move ${name}`} onClick={() => move(account)}>
        move
      </Button>
    </>
  );
}

export interface PostingTableProps {
  readonly slug: string;
  readonly month: string;
  readonly postings: readonly PostingRow[];
  readonly keeping: Keeping;
}

interface PostingRowsProps {
  readonly closed: ClosedMonth | undefined;
  readonly shown: PostingTableProps["postings"];
  readonly month: string;
  readonly keeping: PostingTableProps["keeping"];
  readonly act: (action: KeepingAction) => unknown;
  readonly setMoving: (account: LedgerAccount | null) => void;
}

export function PostingRows({ closed, shown, month, keeping, act, setMoving }: PostingRowsProps) {
  return (
    <ScrollBox label="Postings">
      <RuledTable className={`${chapter.table} ${styles.postings}`} data-testid="postings">
        <thead>
          <tr>
            <th>account</th>
            <th>{say.plannedKwh}</th>
            <th>{say.foundKwh}</th>
            <th>{closed ? say.asClosedKwh : "stands, kWh"}</th>
            {closed && <th>{say.wouldStandTodayKwh}</th>}
            <th />
          </tr>
        </thead>
        <tbody>
          {shown.map((posting) => (
            <tr key={posting.account}>
              <td>
                {ACCOUNT_NAMES[posting.account].code} {ACCOUNT_NAMES[posting.account].name}
              </td>
              <Cells working={() => postingWorking(month, posting, keeping)}>
                {[
                  posting.plannedKwh === null ? "–" : number(posting.plannedKwh, 1),
                  number(posting.foundKwh, 1),
                  <b key="stands">{number(closed ? asClosed(closed, posting.account) : posting.finalKwh, 1)}</b>,
                ]}
              </Cells>
              {closed && (
                <Cells
                  className={drifts(closed, posting) ? chapter.clay : undefined}
                  working={() => postingWorking(month, posting, keeping)}
                >
                  {[number(posting.finalKwh, 1)]}
                </Cells>
              )}
              <td>
                {!closed && (
                  <RowActions
                    month={month}
                    account={posting.account}
                    isAccepted={keeping.accepted.some((one) => one.month === month && one.account === posting.account)}
                    act={act}
                    move={setMoving}
                  />
                )}
              </td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

interface CloseOrReopenProps {
  readonly closed: ClosedMonth | undefined;
  readonly reason: string;
  readonly setReason: Dispatch<SetStateAction<string>>;
  readonly act: (action: KeepingAction) => unknown;
  readonly month: string;
}

export function CloseOrReopen({ closed, reason, setReason, act, month }: CloseOrReopenProps) {
  return (
    <div className={styles.form}>
      <TextInput
        label={closed ? say.whyItIsReopened : say.noteToTheMonth}
        value={reason}
        onChange={(event) => setReason(event.currentTarget.value)}
        w={360}
      />
      {closed ? (
        <Button variant="default" disabled={reason.trim() === ""} onClick={() => act({ action: "reopen", month, reason })}>
          {say.reopenTheMonth}
        </Button>
      ) : (
        <Button onClick={() => act({ action: "close", month, note: reason })}>{say.closeTheMonth}</Button>
      )}
    </div>
  );
}
