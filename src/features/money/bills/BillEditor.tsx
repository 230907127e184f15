"use client";

import { Button } from "@mantine/core";
import { useRef, useState } from "react";
import { readBillsSchema } from "@/contracts/answers";
import { type BillDocument, billSchema } from "@/contracts/bills";
import type { Problem } from "@/contracts/problems";
import { billFaults, daysInMonth, later } from "@/core/money";
import { ask, tell } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ProblemList, Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/money-bills";
import type { MoneyProps } from "../money-props";
import { BillFaults, BillsGrid, BillsIn } from "./BillEditorParts";

/** A row as typed: text until it is saved. */
type Row = Readonly<Record<string, string>>;

const text = (value: number | null): string => (value === null ? "" : String(value));

const rowOf = (bill: BillDocument, bands: readonly string[]): Row => ({
  from: bill.from,
  to: bill.to,
  import: text(bill.importKwh),
  ...Object.fromEntries(bands.map((band) => [`band:${band}`, text(bill.importByBandKwh[band] ?? null)])),
  export: text(bill.exportKwh),
  production: text(bill.productionKwh),
  amount: bill.amount,
});

const numeral = (value: string): string =>
  value
    .trim()
    .replace(/[\s\u202f]/g, "")
    .replace(",", ".");

/** A typed row as a bill, or the field that can't be read. */
function billOf(row: Row, bands: readonly string[]): BillDocument | { readonly field: string; readonly value: string } {
  const unread: string[] = [];
  const kwh = (field: string): number | null => {
    const value = numeral(row[field] ?? "");
    if (value === "") return null;
    if (!Number.isFinite(Number(value))) unread.push(field);
    return Number(value);
  };
  const byBand = bands.flatMap((band): [string, number][] => {
    const value = kwh(`band:${band}`);
    return value === null ? [] : [[band, value]];
  });
  const bought = kwh("import") ?? (byBand.length > 0 ? byBand.reduce((sum, [, value]) => sum + value, 0) : Number.NaN);
  const parsed = billSchema.safeParse({
    from: row.from,
    to: row.to,
    importKwh: bought,
    importByBandKwh: Object.fromEntries(byBand),
    exportKwh: kwh("export"),
    productionKwh: kwh("production"),
    amount: numeral(row.amount ?? ""),
  });
  const [first] = unread;
  if (first !== undefined) return { field: first, value: row[first] ?? "" };
  if (parsed.success) return parsed.data;
  const field = String(parsed.error.issues[0]?.path[0] ?? "");
  return { field, value: row[field.replace("Kwh", "")] ?? "" };
}

const isFault = (read: ReturnType<typeof billOf>): read is { field: string; value: string } => "field" in read;

/** Bills typed, pasted from a sheet, or brought as a file; nothing is stored until all of it can be. */
export function BillEditor({ slug, site, bills, billsVersion, onDone }: MoneyProps & { readonly onDone: () => void }) {
  const planBands = site.money.plans.flatMap((plan) =>
    plan.seasons.flatMap((season) => (season.bands.length > 1 ? season.bands.map(({ name }) => name) : [])),
  );
  const bands = [...new Set([...planBands, ...bills.flatMap((bill) => Object.keys(bill.importByBandKwh))])];
  const [rows, setRows] = useState<readonly Row[]>(() => [...bills].reverse().map((bill) => rowOf(bill, bands)));
  const [columns, setColumns] = useState(bands);
  const read = useChange((body: Blob | string) => ask(readBillsSchema, `/api/books/${slug}/bills/read`, { method: "POST", body }), {
    keepsPage: true,
  });
  const [notices, setNotices] = useState<readonly Problem[]>([]);
  const pasted = useRef<HTMLTextAreaElement>(null);
  const reads = rows.map((row) => billOf(row, columns));
  const unread = reads.flatMap((read, k) => (isFault(read) ? [{ row: k + 1, ...read }] : []));
  const known = reads.filter((read): read is BillDocument => !isFault(read));
  const faults = billFaults(known, site.commissioned);
  const isFatal = unread.length > 0 || faults.some((fault) => fault.isFatal);

  const take = async (body: Blob | string): Promise<void> => {
    setNotices([]);
    const found = await read.tryRun(body);
    if (!found) return;
    const all = [...new Set([...columns, ...found.bills.flatMap((bill) => Object.keys(bill.importByBandKwh))])];
    const fresh = found.bills.map((bill) => rowOf(bill, all));
    const starts = new Set(fresh.map(({ from }) => from));
    setColumns(all);
    setNotices(found.problems);
    setRows([...fresh, ...rows.filter(({ from }) => !starts.has(from))].sort((a, b) => b.from!.localeCompare(a.from!)));
  };
  const add = (): void => {
    const next = rows[0]?.from ? later(rows[0].from.slice(0, 7), 1) : (site.commissioned?.slice(0, 7) ?? "2024-01");
    setRows([{ from: `${next}-01`, to: `${next}-${daysInMonth(`${next}-01`)}`, amount: "" }, ...rows]);
  };
  const store = useChange((_: undefined) => tell("PUT", `/api/books/${slug}/bills`, { bills: known, version: billsVersion }), { onDone });
  const refusal = read.refusal ?? store.refusal;
  const fields = ["from", "to", "import", ...columns.map((band) => `band:${band}`), "export", "production", "amount"];
  return (
    <section className={chapter.section}>
      <h2>{say.billsAsPrinted}</h2>
      <BillsIn pasted={pasted} take={take} add={add} />
      {refusal && <Refused refusal={refusal} />}
      <ProblemList problems={notices} />
      {(unread.length > 0 || faults.length > 0) && <BillFaults unread={unread} faults={faults} />}
      <BillsGrid fields={fields} rows={rows} setRows={setRows} />
      <div className={chapter.actions}>
        <Button disabled={isFatal || (rows.length === 0 && bills.length === 0)} onClick={() => store.run(undefined)}>
          Store {rows.length} bills
        </Button>
        <Button variant="default" onClick={onDone}>
          {say.leaveThemAsTheyWere}
        </Button>
      </div>
    </section>
  );
}
