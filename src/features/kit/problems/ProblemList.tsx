import type { Problem } from "@/contracts/problems";
import type { RefusedCall } from "@/features/data/refused-call";
import { placeInWords, wordingOf } from "@/wording/problems";
import styles from "./ProblemList.module.css";

/** Findings about a file: what, what was expected, what to do, and where. Errors in clay. */
export function ProblemList({ problems }: { problems: readonly Problem[] }) {
  if (problems.length === 0) return null;
  return (
    <ul className={styles.list} data-testid="problems">
      {problems.map((problem, i) => {
        const { what, expected, remedy } = wordingOf(problem);
        return (
          // biome-ignore lint/suspicious/noArrayIndexKey: one code may stand for several fields
          <li key={`${problem.code}-${i}`} data-severity={problem.severity}>
            <strong>{what}</strong> {expected} {remedy}
            {problem.places.length > 0 && <Places problem={problem} />}
          </li>
        );
      })}
    </ul>
  );
}

function Places({ problem }: { problem: Problem }) {
  const [first, ...rest] = problem.places.map(placeInWords);
  const unseen = problem.count - problem.places.length;
  if (rest.length === 0) return <span className={styles.place}>{first}</span>;
  return (
    <details className={styles.place}>
      <summary>
        {first} and {problem.count - 1} more
      </summary>
      {rest.join(" · ")}
      {unseen > 0 && ` · and ${unseen} more`}
    </details>
  );
}

/** A refused call in words. */
export function Refused({ refusal }: { refusal: RefusedCall }) {
  if (refusal.problems.length > 0) return <ProblemList problems={refusal.problems} />;
  return (
    <ul className={styles.list} role="alert">
      <li data-severity="error">
        <strong>{refusal.message}</strong> {refusal.help}
      </li>
    </ul>
  );
}
