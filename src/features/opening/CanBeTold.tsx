import type { PlantBasis } from "@/core/basis";
import chapter from "@/features/kit/look/Chapter.module.css";
import { RuledTable } from "@/features/kit/table/RuledTable";
import { ANSWER_NAMES, BRING_WORDS, PERMISSION_WORDS } from "@/wording/basis";
import { say } from "@/wording/screens/opening";
import styles from "./Opening.module.css";
import { answerable, type Have } from "./opening";

/** What can be told once all that is ticked is in the book, and what would carry each answer further: from the table that every page asks. */
export function CanBeTold({ has, plant }: { has: readonly Have[]; plant: PlantBasis }) {
  const rows = answerable(has, plant);
  return (
    <section className={chapter.section}>
      <h2>
        {say.canBeTold} <span className={styles.note}>{say.answeredWith}</span>
      </h2>
      <RuledTable className={`${chapter.table} ${styles.told}`}>
        <tbody>
          {rows.map(({ answer, permission, bring }) => (
            <tr key={answer} data-permission={permission}>
              <td>{ANSWER_NAMES[answer]}</td>
              <td>{permission === "withheld" ? say.notYet.toLowerCase() : PERMISSION_WORDS[permission]}</td>
              <td className={chapter.soft}>{bring ? BRING_WORDS[bring] : ""}</td>
            </tr>
          ))}
        </tbody>
      </RuledTable>
    </section>
  );
}
