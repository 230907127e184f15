import { Button, Select } from "@mantine/core";
import type { ImportOptions } from "@/contracts/imports";
import {
  type MappedQuantity,
  type MappingProposal,
  type MappingQuestion,
  type TableMapping,
  type TimeOrder,
  type ValueColumn,
  weatherQuantities,
} from "@/contracts/mapping";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { percent } from "@/wording/format";
import { quantityName } from "@/wording/quantities";
import { say } from "@/wording/screens/readings";
import styles from "./ReadingsChapter.module.css";

interface Props {
  readonly proposal: MappingProposal;
  readonly options: ImportOptions;
  readonly meters: readonly string[];
  readonly change: (part: Partial<ImportOptions>) => void;
}

/** Units that a person may choose, with the factor into the ledger's own. */
const HOLDINGS: readonly { value: string; label: string; quantity: MappedQuantity; factor: number; beginsAnew?: boolean }[] = [
  { value: "energy_kwh:1", label: say.energyOfTheIntervalKwh, quantity: "energy_kwh", factor: 1 },
  { value: "energy_kwh:0.001", label: say.energyOfTheIntervalWh, quantity: "energy_kwh", factor: 0.001 },
  { value: "energy_kwh:1000", label: say.energyOfTheIntervalMwh, quantity: "energy_kwh", factor: 1000 },
  { value: "power_w:1", label: say.meanPowerW, quantity: "power_w", factor: 1 },
  { value: "power_w:1000", label: say.meanPowerKw, quantity: "power_w", factor: 1000 },
  { value: "counter_kwh:1", label: say.lifetimeCounterKwh, quantity: "counter_kwh", factor: 1 },
  { value: "counter_kwh:0.001", label: say.lifetimeCounterWh, quantity: "counter_kwh", factor: 0.001 },
  { value: "counter_kwh:1000", label: say.lifetimeCounterMwh, quantity: "counter_kwh", factor: 1000 },
  { value: "counter_kwh:1 daily", label: say.dayCounterKwh, quantity: "counter_kwh", factor: 1, beginsAnew: true },
  { value: "counter_kwh:0.001 daily", label: say.dayCounterWh, quantity: "counter_kwh", factor: 0.001, beginsAnew: true },
  ...weatherQuantities.map((quantity) => ({ value: `${quantity}:1`, label: quantityName(quantity), quantity, factor: 1 })),
];

const ORDERS: readonly { value: TimeOrder; label: string }[] = [
  { value: "ymd", label: say.yearMonthDay },
  { value: "dmy", label: say.dayMonthYear },
  { value: "mdy", label: say.monthDayYear },
  { value: "unix", label: "seconds since 1970" },
];

const holdingOf = ({ quantity, factor, beginsAnew }: ValueColumn): string =>
  `${quantity}:${Number(factor.toPrecision(6))}${beginsAnew ? " daily" : ""}`;

/** How a table is read, why, and how sure that is; what is open is asked, and everything can be changed. */
export function MappingPanel({ proposal, options, meters, change }: Props) {
  const { mapping, headers, sample, reasons, questions, confidenceFrac } = proposal;
  const foreign = reasons.length > 0 || questions.length > 0;
  if (!foreign) return null;
  const set = (part: Partial<typeof mapping>) => change({ mapping: { ...mapping, ...part }, answers: {} });
  const setColumn = (column: number, value: string | null) => {
    const holding = HOLDINGS.find((candidate) => candidate.value === value);
    const others = mapping.values.filter((current) => current.column !== column);
    const existing = mapping.values.find((candidate) => candidate.column === column);
    const own: ValueColumn[] = holding
      ? [
          {
            column,
            header: headers[column] ?? "",
            quantity: holding.quantity,
            factor: holding.factor,
            offset: 0,
            meterId: existing?.meterId ?? null,
            beginsAnew: holding.beginsAnew ?? false,
          },
        ]
      : [];
    const values = [...others, ...own].sort((a, b) => a.column - b.column);
    if (values.length > 0) set({ values });
  };
  return (
    <section className={styles.mapping} data-testid="mapping">
      <h3>
        {say.howItIsRead}
        <span className={confidenceFrac < 0.7 ? chapter.clay : chapter.soft}>{percent(confidenceFrac, 0)} sure</span>
      </h3>
      <ul className={styles.reasons}>
        {reasons.map(({ about, because }) => (
          <li key={`${about}${because}`}>
            <b>{about}</b>: {because}
          </li>
        ))}
      </ul>
      {mapping.layout === "rows" && (
        <ColumnsTable headers={headers} mapping={mapping} set={set} setColumn={setColumn} meters={meters} sample={sample} />
      )}
      {options.mapping && (
        <Button variant="subtle" size="compact-xs" onClick={() => change({ mapping: null, answers: {} })}>
          {say.backToWhatWasFoundOut}
        </Button>
      )}
    </section>
  );
}

/** What a person has to say of a file, or may say otherwise. */
export function FileQuestions({
  questions,
  options,
  change,
}: Pick<Props, "options" | "change"> & { readonly questions: readonly MappingQuestion[] }) {
  return questions.map(({ id, question, evidence, choices }) => (
    <Select
      key={id}
      label={question}
      description={evidence}
      placeholder="Choose"
      data={choices}
      value={options.answers[id] ?? null}
      onChange={(value) => value && change({ answers: { ...options.answers, [id]: value } })}
    />
  ));
}

interface ColumnsTableProps {
  readonly headers: string[];
  readonly mapping: TableMapping;
  readonly set: (part: Partial<TableMapping>) => void;
  readonly setColumn: (column: number, value: string | null) => void;
  readonly meters: readonly string[];
  readonly sample: string[][];
}

/** Each column beside its first rows, with what it is taken for. */
function ColumnsTable({ headers, mapping, set, setColumn, meters, sample }: ColumnsTableProps) {
  return (
    <ScrollBox label={say.columnsAndFirstRows}>
      <RuledTable className={styles.sample}>
        <thead>
          <tr>
            {headers.map((header, column) => (
              <th
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its index
                key={column}
                scope="col"
                data-read={mapping.values.some((current) => current.column === column) || mapping.timeColumns.includes(column) || undefined}
              >
                {header || `column ${column + 1}`}
              </th>
            ))}
          </tr>
          <tr>
            {headers.map((header, column) => {
              const existing = mapping.values.find((candidate) => candidate.column === column);
              return (
                <ColumnChoice
                  // biome-ignore lint/suspicious/noArrayIndexKey: a column is its index
                  key={column}
                  column={column}
                  mapping={mapping}
                  header={header}
                  set={set}
                  existing={existing}
                  setColumn={setColumn}
                  meters={meters}
                />
              );
            })}
          </tr>
        </thead>
        <tbody>
          {sample.slice(0, 4).map((row, k) => (
            // biome-ignore lint/suspicious/noArrayIndexKey: rows of a sample have no other name
            <tr key={k}>
              {headers.map((_, column) => (
                // biome-ignore lint/suspicious/noArrayIndexKey: a column is its index
                <td key={column}>{row[column] ?? ""}</td>
              ))}
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </ScrollBox>
  );
}

interface ColumnChoiceProps {
  readonly column: number;
  readonly mapping: TableMapping;
  readonly header: string;
  readonly set: (part: Partial<TableMapping>) => void;
  readonly existing: ValueColumn | undefined;
  readonly setColumn: (column: number, value: string | null) => void;
  readonly meters: readonly string[];
}

function ColumnChoice({ column, mapping, header, set, existing, setColumn, meters }: ColumnChoiceProps) {
  return (
    <td>
      {mapping.timeColumns.includes(column) ? (
        <Select
          size="xs"
          aria-label={`Order of ${header}`}
          data={ORDERS}
          value={mapping.timeOrder}
          allowDeselect={false}
          onChange={(value) => value && set({ timeOrder: value })}
        />
      ) : (
        <Select
          size="xs"
          aria-label={`What ${header} holds`}
          placeholder="left out"
          clearable
          data={choicesFor(existing)}
          value={existing ? holdingOf(existing) : null}
          onChange={(value) => setColumn(column, value)}
        />
      )}
      {existing && meters.length > 1 && (
        <Select
          size="xs"
          aria-label={`Meter of ${header}`}
          placeholder={say.theFilesMeter}
          clearable
          data={[...meters]}
          value={existing.meterId}
          onChange={(meterId) => set({ values: mapping.values.map((value) => (value.column === column ? { ...value, meterId } : value)) })}
        />
      )}
    </td>
  );
}

/** The list of holdings, with the column's own where its factor is an odd one. */
function choicesFor(current: ValueColumn | undefined): { value: string; label: string }[] {
  const known = HOLDINGS.map(({ value, label }) => ({ value, label }));
  if (!current || known.some(({ value }) => value === holdingOf(current))) return known;
  return [
    { value: holdingOf(current), label: `${quantityName(current.quantity)}, times ${Number(current.factor.toPrecision(4))}` },
    ...known,
  ];
}
