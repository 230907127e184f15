"use client";

import { Button, NativeSelect, NumberInput, TextInput } from "@mantine/core";
import { useState } from "react";
import type { ClosedMonth, Keeping, KeepingAction } from "@/contracts/keeping";
import { LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import { Cells } from "@/features/kit/figures/Cells";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { Refused } from "@/features/kit/problems/ProblemList";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { number } from "@/wording/format";
import { auditInWords } from "@/wording/keeping";
import { say } from "@/wording/screens/ledger-attribution";
import type { Working } from "@/wording/workings/working";
import styles from "./Causes.module.css";

export interface PostingTableProps {
  readonly slug: string;
  readonly month: string;
  /** By account: the book's budget, what the readings show, and what stands after moves, kWh. */
  readonly postings: readonly {
    readonly account: LedgerAccount;
    readonly plannedKwh: number;
    readonly foundKwh: number;
    readonly finalKwh: number;
  }[];
  readonly keeping: Keeping;
}

const LEAST_KWH = 0.05;

/** A month's postings: accepted, moved with a reason, rejected to the remainder; then the month is closed. Every step is in the trail. */
export function PostingTable({ slug, month, postings, keeping }: PostingTableProps) {
  const [moving, setMoving] = useState<LedgerAccount | null>(null);
  const [reason, setReason] = useState("");
  const closed = keeping.closed.find((kept) => kept.month === month);
  const { run: act, refusal } = useChange((action: KeepingAction) => tell("POST", `/api/books/${slug}/keeping`, action), {
    onDone: () => {
      setMoving(null);
      setReason("");
    },
  });
  const shown = postings.filter(({ plannedKwh, foundKwh: actualKwh, finalKwh }) =>
    [plannedKwh, actualKwh, finalKwh].some((kwh) => Math.abs(kwh) > LEAST_KWH),
  );
  const trail = keeping.audit.filter((entry) => entry.month === month);
  return (
    <section className={chapter.section}>
      <h2>{say.postingsOfTheMonth(closed ? ", closed" : "")}</h2>
      <ScrollBox label="Postings">
        <RuledTable className={`${chapter.table} ${styles.postings}`} data-testid="postings">
          <thead>
            <tr>
              <th>account</th>
              <th>{say.byTheBookKwh}</th>
              <th>{say.byEvidenceKwh}</th>
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
                    number(posting.plannedKwh, 1),
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
      {moving && (
        <MoveForm key={moving} month={month} from={moving} most={postings.find(({ account }) => account === moving)!.finalKwh} act={act} />
      )}
      {keeping.transfers
        .filter((transfer) => transfer.month === month)
        .map((transfer) => (
          <p key={transfer.id} className={chapter.soft}>
            {say.kwhMovedFromTo(
              number(transfer.kwh, 1),
              ACCOUNT_NAMES[transfer.from].name,
              ACCOUNT_NAMES[transfer.to].name,
              transfer.reason,
            )}
            {!closed && (
              <Button variant="subtle" size="compact-xs" onClick={() => act({ action: "take-back", month, id: transfer.id })}>
                take back
              </Button>
            )}
          </p>
        ))}
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
      {refusal && <Refused refusal={refusal} />}
      {trail.length > 0 && (
        <ol className={styles.cannot} aria-label="Trail">
          {trail.map((entry) => (
            <li key={`${entry.at}${entry.code}`}>
              {entry.at.slice(0, 16).replace("T", " ")}: {auditInWords(entry)}
            </li>
          ))}
        </ol>
      )}
    </section>
  );
}

interface RowActionsProps {
  readonly month: string;
  readonly account: LedgerAccount;
  readonly isAccepted: boolean;
  readonly act: (action: KeepingAction) => void;
  readonly move: (account: LedgerAccount) => void;
}

function RowActions({ month, account, isAccepted, act, move }: RowActionsProps) {
  if (account === "unread") return null;
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

const asClosed = (closed: ClosedMonth, account: LedgerAccount): number =>
  closed.postings.find((posting) => posting.account === account)?.foundKwh ?? 0;
const drifts = (closed: ClosedMonth, { account, finalKwh }: { account: LedgerAccount; finalKwh: number }): boolean =>
  Math.abs(asClosed(closed, account) - finalKwh) > 0.5;

/** How much of a posting goes where, and why; all of it to the remainder is a rejection. */
function MoveForm({ month, from, most, act }: { month: string; from: LedgerAccount; most: number; act: (action: KeepingAction) => void }) {
  const [to, setTo] = useState<LedgerAccount>(from === "remainder" ? "downtime" : "remainder");
  const [kwh, setKwh] = useState<number | string>(Math.round(most * 10) / 10);
  const [reason, setReason] = useState("");
  return (
    <form
      className={styles.form}
      onSubmit={(event) => {
        event.preventDefault();
        act({ action: "move", month, from, to, kwh: Number(kwh), reason });
      }}
    >
      <NumberInput label={`of ${ACCOUNT_NAMES[from].name}, kWh`} value={kwh} onChange={setKwh} decimalScale={1} hideControls w={150} />
      <NativeSelect
        label="to"
        value={to}
        onChange={(event) => setTo(event.currentTarget.value as LedgerAccount)}
        data={LEDGER_ACCOUNTS.filter((account) => account !== from && account !== "unread").map((account) => ({
          value: account,
          label: account === "remainder" ? say.remainderRejectIt : ACCOUNT_NAMES[account].name,
        }))}
      />
      <TextInput label="why" value={reason} onChange={(event) => setReason(event.currentTarget.value)} required w={280} />
      <Button type="submit" disabled={reason.trim() === "" || Number(kwh) === 0}>
        Move it
      </Button>
    </form>
  );
}

function postingWorking(month: string, posting: PostingTableProps["postings"][number], { transfers }: Keeping): Working {
  const { account, plannedKwh, foundKwh: actualKwh, finalKwh } = posting;
  const moved = transfers.filter((transfer) => transfer.month === month && (transfer.from === account || transfer.to === account));
  return {
    title: `${ACCOUNT_NAMES[account].name}, ${month}`,
    value: number(finalKwh, 1),
    unit: "kWh",
    formula: say.byEvidenceWhatWasMovedAway,
    inputs: [
      { name: say.byTheBook, value: `${number(plannedKwh, 1)} kWh`, from: say.theChainWithTheBooksOwn },
      { name: "by evidence", value: `${number(actualKwh, 1)} kWh`, from: say.theChainWithWhatTheReadings },
      ...moved.map(({ from, kwh, reason }) => ({
        name: from === account ? "moved away" : "moved here",
        value: `${number(kwh, 1)} kWh`,
        from: reason,
      })),
    ],
    source: say.docsMethodsMdTheLedgerAnd,
    assumptions: [say.accountsWalkDownFromNameplateEach],
  };
}
