"use client";

import { Button } from "@mantine/core";
import { useEffect, useMemo, useState } from "react";
import { PHOTO_TYPES } from "@/contracts/field-book";
import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/field-book-entries";
import styles from "../FieldBook.module.css";
import { smallPhoto } from "../small-photo";

/** One photo, from the camera or a file, made small at once. */
export function PhotoField({ photo, onPhoto }: { photo: Blob | null; onPhoto: (photo: Blob | null) => void }) {
  const [problem, setProblem] = useState("");
  const shown = useMemo(() => photo && URL.createObjectURL(photo), [photo]);
  useEffect(() => {
    return () => {
      if (shown) URL.revokeObjectURL(shown);
    };
  }, [shown]);
  const take = async (file: File | undefined): Promise<void> => {
    if (!file) return;
    const small = await smallPhoto(file);
    setProblem("problem" in small ? small.problem : "");
    if ("photo" in small) onPhoto(small.photo);
  };
  return (
    <div className={styles.photo}>
      <label className={styles.file}>
        {photo ? "Another photo" : say.addAPhoto}
        <input
          type="file"
          accept={PHOTO_TYPES.join(",")}
          onChange={(event) => {
            void take(event.currentTarget.files?.[0]);
            event.currentTarget.value = "";
          }}
        />
      </label>
      {shown && (
        <>
          {/* biome-ignore lint/performance/noImgElement: a picture that only this browser holds */}
          <img src={shown} alt={say.whatWillBeWrittenDownWith} />
          <Button variant="subtle" size="compact-xs" onClick={() => onPhoto(null)}>
            without it
          </Button>
        </>
      )}
      {problem && (
        <p className={chapter.clay} role="alert">
          {problem}
        </p>
      )}
    </div>
  );
}
