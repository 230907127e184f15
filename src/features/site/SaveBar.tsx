import { Button, FileButton } from "@mantine/core";
import { useState } from "react";
import type { z } from "zod";
import type { Problem } from "@/contracts/problems";
import { siteSchema } from "@/contracts/site";
import chapter from "@/features/kit/look/Chapter.module.css";
import { inPlainText } from "@/wording/problems";
import { say } from "@/wording/screens/site";
import styles from "./SiteChapter.module.css";
import type { SiteDraft } from "./use-site-draft";

const NO_PLACE: Pick<Problem, "severity" | "count" | "places"> = { severity: "error", count: 1, places: [] };

/** A fault of a site document as the catalogue words it: field, what was expected, what to do. */
const fieldProblem = (issue: z.core.$ZodIssue): Problem => ({
  ...NO_PLACE,
  code: "site-field",
  facts: {
    path: issue.path.join(".") || "document",
    message:
      issue.code === "unrecognized_keys" ? say.unknownRemoveOrRenameIt(issue.keys.map((key) => `“${key}”`).join(", ")) : issue.message,
  },
});

/** Saving, undo and redo, and the site as a file: the same in every view of the chapter. */
export function SaveBar({ slug, draft }: { slug: string; draft: SiteDraft }) {
  const [fault, setFault] = useState("");
  const dirty = draft.form.isDirty();
  const read = async (file: File | null): Promise<void> => {
    if (!file) return;
    setFault("");
    try {
      const text = await file.text();
      const parsed = siteSchema.safeParse(JSON.parse(text));
      if (parsed.success) return draft.replace(parsed.data, say.standsHereNowUnsavedUndoTakes(file.name));
      setFault(say.nothingHereWasChanged(file.name, inPlainText(fieldProblem(parsed.error.issues[0]!))));
    } catch (error) {
      if (!(error instanceof SyntaxError)) throw error;
      setFault(say.nothingHereWasChanged(file.name, inPlainText({ ...NO_PLACE, code: "site-json", facts: { message: error.message } })));
    }
  };
  return (
    <div className={`${chapter.actions} ${styles.bar}`}>
      <Button type="submit" disabled={!dirty} title="Ctrl S">
        {say.saveTheSite}
      </Button>
      <Button variant="default" onClick={draft.undo} disabled={!draft.canUndo} title="Ctrl Z">
        Undo
      </Button>
      <Button variant="default" onClick={draft.redo} disabled={!draft.canRedo} title={say.ctrlShiftZ}>
        Redo
      </Button>
      <Button variant="subtle" onClick={draft.revert} disabled={!dirty}>
        {say.asTheBookHasIt}
      </Button>
      <a href={`/api/books/${slug}/site`} download>
        {say.siteFileJson}
      </a>
      <FileButton
        onChange={(file) => void read(file)}
        accept="application/json,.json"
        inputProps={{ "aria-label": say.readASiteFileIntoThis }}
      >
        {(props) => (
          <button type="button" className={styles.link} {...props}>
            {say.readAFile}
          </button>
        )}
      </FileButton>
      <span className={fault ? chapter.clay : chapter.soft} role="status">
        {fault || draft.note || (dirty ? say.unsavedKeptInThisBrowserUntil : "")}
      </span>
    </div>
  );
}
