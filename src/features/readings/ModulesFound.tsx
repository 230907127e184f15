import { Button } from "@mantine/core";
import type { ImportOptions, ImportPreview } from "@/contracts/imports";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/readings";
import styles from "./ReadingsChapter.module.css";

/** Names of so many modules say it all. */
const NAMES_SHOWN = 6;

export function modulesInWords(columns: ImportPreview["columns"]): string {
  const names = columns.map(({ meterId, header }) => meterId ?? header);
  return names.length <= NAMES_SHOWN ? names.join(", ") : `${names.slice(0, NAMES_SHOWN - 1).join(", ")} … ${names.at(-1)}`;
}

interface ModulesFoundProps {
  readonly preview: ImportPreview;
  readonly change: (part: Partial<ImportOptions>) => void;
}

/** Single modules: why the columns are taken so, and the way back. */
export function ModulesFound({ preview: { proposal }, change }: ModulesFoundProps) {
  return (
    <div className={styles.mapping} data-testid="modules-found">
      <p className={chapter.soft}>
        {say.singleModulesAreKept} {(proposal?.reasons ?? []).map(({ about, because }) => `${about}: ${because}`).join("; ")}.
      </p>
      <Button variant="subtle" size="compact-xs" onClick={() => change({ mapping: null, answers: { columns: "plant" } })}>
        {say.theyAreParts}
      </Button>
    </div>
  );
}
