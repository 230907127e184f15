import { Textarea } from "@mantine/core";
import { useState } from "react";
import type { ModuleType } from "@/core/site";
import { say } from "@/wording/screens/site";
import { matrixOfText, matrixText } from "./matrix-text";
import styles from "./SiteChapter.module.css";
import { type SiteForm, setAt } from "./site-values";

interface Props {
  readonly form: SiteForm;
  readonly path: string;
  readonly matrix: ModuleType["powerMatrix"];
}

/** Power over light and heat as a laboratory measured it, pasted as its table. Where it is given it stands before coefficients. */
export function MatrixField({ form, path, matrix }: Props) {
  const [text, setText] = useState(() => matrixText(matrix));
  const read = matrixOfText(text);
  // The schema's words stand at the cell that they mean: any of them is told here.
  const refused = Object.entries(form.errors).find(([key]) => key.startsWith(path))?.[1];
  return (
    <details className={styles.matrix}>
      <summary>{matrix ? say.matrixOf(matrix.irradianceWm2.length, matrix.cellTempC.length) : say.matrixNone}</summary>
      <Textarea
        label={say.matrixLabel}
        description={say.matrixHow}
        placeholder={"W/m²\t15\t25\t50\t75\n1100\t–\t451\t409\t367\n1000\t425\t410\t372\t334\n200\t84\t80.5\t73\t–"}
        autosize
        minRows={4}
        value={text}
        error={"refusal" in read ? read.refusal : refused}
        onChange={(event) => {
          setText(event.currentTarget.value);
          const next = matrixOfText(event.currentTarget.value);
          if ("matrix" in next) setAt(form, path, next.matrix);
        }}
      />
    </details>
  );
}
