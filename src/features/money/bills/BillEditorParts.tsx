"use client";

import { Button } from "@mantine/core";
import type { Dispatch, RefObject, SetStateAction } from "react";
import type { BillFault } from "@/core/money";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { billFaultWords } from "@/wording/money";
import { say } from "@/wording/screens/money-bills";
import styles from "../MoneyChapter.module.css";

const HEADS: Readonly<Record<string, string>> = {
  from: "from",
  to: "to",
  import: "bought, kWh",
  export: "exported, kWh",
  production: "produced, kWh",
  amount: "amount",
};

interface BillsInProps {
  readonly pasted: RefObject<HTMLTextAreaElement | null>;
  readonly take: (body: Blob | string) => Promise<void>;
  readonly add: () => void;
}

/** Rows pasted from a sheet, a file, or a month by hand. */
export function BillsIn({ pasted, take, add }: BillsInProps) {
  return (
    <div className={styles.split}>
      <label>
        <span className={chapter.soft}>{say.pasteRowsFromASheetHeads}</span>
        <textarea ref={pasted} className={styles.paste} placeholder={say.fromToImportKwhExportKwh} />
      </label>
      <div>
        <div className={chapter.actions}>
          <Button variant="default" onClick={() => void take(pasted.current?.value ?? "")}>
            {say.takeWhatIsPasted}
          </Button>
          <Button variant="default" component="label">
            {say.bringAFile}
            <input
              type="file"
              accept=".csv,.tsv,.txt,.xlsx"
              hidden
              onChange={(event) => {
                const file = event.currentTarget.files?.[0];
                if (file) void take(file);
                event.currentTarget.value = "";
              }}
            />
          </Button>
          <Button variant="default" onClick={add}>
            {say.addAMonth}
          </Button>
        </div>
        <p className={chapter.soft}>{say.columnsFromToOrMonthImport}</p>
      </div>
    </div>
  );
}

interface BillFaultsProps {
  readonly unread: { field: string; value: string; row: number }[];
  readonly faults: BillFault[];
}

export function BillFaults({ unread, faults }: BillFaultsProps) {
  return (
    <ul className={styles.faults} data-testid="bill-faults">
      {unread.slice(0, 8).map(({ row, field, value }) => (
        <li key={`${row} ${field}`} data-fatal>
          {say.rowIsNotWhatBelongsThere(
            row,
            field.replace("band:", ""),
            value,
            field === "from" || field === "to" ? say.aDateAs20240131 : "a number",
          )}
        </li>
      ))}
      {faults.slice(0, 12).map((fault) => {
        const { what, remedy } = billFaultWords(fault);
        return (
          <li key={what} data-fatal={fault.isFatal || undefined}>
            {what} {remedy}
          </li>
        );
      })}
    </ul>
  );
}

interface BillsGridProps {
  readonly fields: string[];
  readonly rows: readonly Readonly<Record<string, string>>[];
  readonly setRows: Dispatch<SetStateAction<readonly Readonly<Record<string, string>>[]>>;
}

export function BillsGrid({ fields, rows, setRows }: BillsGridProps) {
  return (
    <ScrollBox label={say.billsAsPrinted} className={styles.months}>
      <RuledTable className={chapter.table}>
        <thead>
          <tr>
            {fields.map((field) => (
              <th key={field} style={field === "to" ? { textAlign: "left" } : undefined}>
                {HEADS[field] ?? field.replace("band:", "")}
              </th>
            ))}
            <th />
          </tr>
        </thead>
        <tbody>
          {rows.map((row, k) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows are edited in place
            <tr key={k}>
              {fields.map((field) => (
                <td key={field}>
                  <input
                    className={styles.cell}
                    data-kind={field === "from" || field === "to" ? "date" : "number"}
                    aria-label={`${HEADS[field] ?? field.replace("band:", "")}, row ${k + 1}`}
                    value={row[field] ?? ""}
                    onChange={(event) => {
                      const { value } = event.currentTarget;
                      setRows(rows.map((each, at) => (at === k ? { ...each, [field]: value } : each)));
                    }}
                  />
                </td>
              ))}
              <td>
                <Button
                  variant="subtle"
                  size="compact-xs"
                  aria-label={`Remove row ${k + 1}`}
                  onClick={() => setRows(rows.filter((_, at) => at !== k))}
                >
                  Remove
                </Button>
              </td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}
