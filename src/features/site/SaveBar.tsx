import { Button, FileButton } from "@mantine/core";
import { useState } from "react";
import { siteSchema } from "@/contracts/site";
import chapter from "@/features/look/Chapter.module.css";
import styles from "./SiteChapter.module.css";
import type { SiteDraft } from "./use-site-draft";

/** Saving, undo and redo, and the site as a file: the same in every view of the chapter. */
export function SaveBar({ slug, draft }: { slug: string; draft: SiteDraft }) {
  const [fault, setFault] = useState("");
  const dirty = draft.form.isDirty();
  const read = async (file: File | null): Promise<void> => {
    if (!file) return;
    setFault("");
    try {
      const parsed = siteSchema.safeParse(JSON.parse(await file.text()));
      if (parsed.success) return draft.replace(parsed.data, `${file.name} stands here now, unsaved. Undo takes it off again.`);
      const [first] = parsed.error.issues;
      const unknown = first?.code === "unrecognized_keys" ? `: unknown ${first.keys.join(", ")}` : "";
      setFault(`${file.name}, ${first?.path.join(".") || "document"}${unknown || `: ${first?.message}`}`);
    } catch {
      setFault(`${file.name} is no JSON document; a site file is one.`);
    }
  };
  return (
    <div className={`${chapter.actions} ${styles.bar}`}>
      <Button type="submit" disabled={!dirty} title="Ctrl S">
        Save the site
      </Button>
      <Button variant="default" onClick={draft.undo} disabled={!draft.canUndo} title="Ctrl Z">
        Undo
      </Button>
      <Button variant="default" onClick={draft.redo} disabled={!draft.canRedo} title="Ctrl Shift Z">
        Redo
      </Button>
      <Button variant="subtle" onClick={draft.revert} disabled={!dirty}>
        As the book has it
      </Button>
      <a href={`/api/books/${slug}/site`} download>
        Site file (JSON)
      </a>
      <FileButton
        onChange={(file) => void read(file)}
        accept="application/json,.json"
        inputProps={{ "aria-label": "Read a site file into this book" }}
      >
        {(props) => (
          <button type="button" className={styles.link} {...props}>
            Read a file
          </button>
        )}
      </FileButton>
      <span className={fault ? chapter.clay : chapter.soft} role="status">
        {fault || draft.note || (dirty ? "Unsaved; kept in this browser until it is saved." : "")}
      </span>
    </div>
  );
}
