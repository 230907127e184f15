"use client";

import { Button, NativeSelect, TextInput } from "@mantine/core";
import { useState } from "react";
import type { KeepingAction } from "@/contracts/keeping";
import { LEDGER_ACCOUNTS, type LedgerAccount } from "@/core/accounts";
import { tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import { NumberField } from "@/features/kit/fields/NumberField";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { ACCOUNT_NAMES } from "@/wording/accounts";
import { number } from "@/wording/format";
import { auditInWords } from "@/wording/keeping";
import { say } from "@/wording/screens/ledger-attribution";
import styles from "./Causes.module.css";
import { CloseOrReopen, PostingRows, type PostingTableProps } from "./PostingRows";

const LEAST_KWH = 0.05;

/** A month's postings: accepted, moved with a reason, rejected to the unexplained; then the month is closed. Every step is in the trail. */
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
  const shown = postings.filter(({ plannedKwh, foundKwh, finalKwh }) =>
    [plannedKwh ?? 0, foundKwh, finalKwh].some((kwh) => Math.abs(kwh) > LEAST_KWH),
  );
  const trail = keeping.audit.filter((entry) => entry.month === month);
  return (
    <section className={chapter.section}>
      <h2>{say.postingsOfTheMonth(closed ? ", closed" : "")}</h2>
      <PostingRows closed={closed} shown={shown} month={month} keeping={keeping} act={act} setMoving={setMoving} />
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
      <CloseOrReopen closed={closed} reason={reason} setReason={setReason} act={act} month={month} />
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

/** How much of a posting goes where, and why; all of it to the unexplained is a rejection. */
function MoveForm({ month, from, most, act }: { month: string; from: LedgerAccount; most: number; act: (action: KeepingAction) => void }) {
  const [to, setTo] = useState<LedgerAccount>(from === "unexplained" ? "downtime" : "unexplained");
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
      <NumberField label={`of ${ACCOUNT_NAMES[from].name}, kWh`} value={kwh} onChange={setKwh} decimalScale={1} w={150} />
      <NativeSelect
        label="to"
        value={to}
        onChange={(event) => setTo(event.currentTarget.value as LedgerAccount)}
        data={LEDGER_ACCOUNTS.filter((account) => account !== from && account !== "dataGap").map((account) => ({
          value: account,
          label: account === "unexplained" ? say.unexplainedRejectIt : ACCOUNT_NAMES[account].name,
        }))}
      />
      <TextInput label="why" value={reason} onChange={(event) => setReason(event.currentTarget.value)} required w={280} />
      <Button type="submit" disabled={reason.trim() === "" || Number(kwh) === 0}>
        Move it
      </Button>
    </form>
  );
}
