import type { Neighbours, OddModuleLine } from "@/contracts/neighbours";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { type Column, DataTable } from "@/features/kit/table/DataTable";
import { number } from "@/wording/format";
import { lossUnit, oddInWords, oddNames, oddRemedies } from "@/wording/neighbours";
import { say } from "@/wording/screens/ledger-modules";
import { causeGroupWorking } from "@/wording/workings/module-working";
import { groupsOf, type OddGroup } from "./groups";
import styles from "./Modules.module.css";

interface CauseGroupsProps {
  readonly neighbours: Neighbours;
  readonly chosen: string | null;
  readonly choose: (id: string) => void;
}

/** Odd modules by their cause, the dearest first: which they are, what they lose, and what to do. */
export function CauseGroups({ neighbours, chosen, choose }: CauseGroupsProps) {
  const columns: Column<OddGroup>[] = [
    { key: "cause", head: say.likely, kind: "words", namesRow: true, cell: ({ cause }) => <b>{oddNames[cause]}</b> },
    {
      key: "lost",
      head: lossUnit(neighbours),
      cell: (group) => (
        <Figure plain name={`modules-lost/${group.cause}`} working={() => causeGroupWorking(group, neighbours)}>
          {number(group.kwh, group.kwh < 10 ? 1 : 0)}
        </Figure>
      ),
    },
    { key: "modules", head: say.modules, kind: "words", cell: ({ odd }) => <ModuleButtons odd={odd} chosen={chosen} choose={choose} /> },
    {
      key: "next",
      head: say.next,
      kind: "words",
      cell: ({ cause, odd }) => (
        <>
          {odd.length > 1 ? `${odd[0]!.id}: ` : ""}
          {oddInWords(odd[0]!)} {oddRemedies[cause]}
        </>
      ),
    },
  ];
  return (
    <section className={chapter.section}>
      <h2>{say.oddOnes}</h2>
      {neighbours.odd.length === 0 ? (
        <p className={chapter.soft}>{say.noneIsOdd}</p>
      ) : (
        <ScrollBox label={say.oddOnes}>
          <DataTable
            className={`${chapter.table} ${styles.odd}`}
            columns={columns}
            rows={groupsOf(neighbours.odd)}
            rowKey={({ cause }) => cause}
            fileName="odd-modules"
            testId="odd-modules"
          />
        </ScrollBox>
      )}
    </section>
  );
}

const ModuleButtons = ({
  odd,
  chosen,
  choose,
}: Pick<CauseGroupsProps, "chosen" | "choose"> & { readonly odd: readonly OddModuleLine[] }) => (
  <span className={styles.ids}>
    {odd.map(({ id, told }) => (
      <button key={id} type="button" className={styles.plain} aria-pressed={id === chosen} onClick={() => choose(id)}>
        {id}
        <small>{number(told.kwh, told.kwh < 10 ? 1 : 0)}</small>
      </button>
    ))}
  </span>
);
