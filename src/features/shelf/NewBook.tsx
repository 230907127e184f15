"use client";

import { Button } from "@mantine/core";
import { Dropzone } from "@mantine/dropzone";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { openedBookSchema } from "@/contracts/answers";
import { ask } from "@/features/data/ask";
import { RefusedCall } from "@/features/data/refused-call";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import readings from "@/features/readings/ReadingsChapter.module.css";
import { newSite } from "@/features/site/site-values";

/** A site document is a page of text; anything larger is another kind of file. */
const LARGEST_SITE_BYTES = 2_000_000;

/** Opens a book from a site file, or from nothing. */
export function NewBook({ timeZone }: { timeZone: string }) {
  const router = useRouter();
  const [fault, setFault] = useState<RefusedCall | null>(null);
  const opening = useChange(
    ({ text }: { text: string; chapter: "readings" | "site" }) =>
      ask(openedBookSchema, "/api/books", { method: "POST", body: text, headers: { "content-type": "application/json" } }),
    { onDone: ({ slug }, { chapter }) => router.push(`/books/${slug}/${chapter}`) },
  );
  const open = (text: string, chapter: "readings" | "site"): void => {
    setFault(null);
    opening.run({ text, chapter });
  };
  const refusal = fault ?? opening.refusal;
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > LARGEST_SITE_BYTES)
      return setFault(
        new RefusedCall(
          "too-large",
          `${file.name} is too large for a site file.`,
          "A site file is a JSON document of a few kB; weather and production are brought in the book's Readings chapter.",
        ),
      );
    open(await file.text(), "readings");
  };
  return (
    <section className={chapter.section} id="new">
      <h2>New book</h2>
      <Dropzone
        className={readings.drop}
        unstyled
        multiple={false}
        onDrop={(files) => void take(files[0])}
        onReject={() => setFault(new RefusedCall("one-file", "More than one file came at once.", "Drop one site file at a time."))}
        inputProps={{ "aria-label": "Choose a site file", "data-testid": "site-file" } as never}
      >
        <strong>Drop a site file here, or click to choose one</strong>
        <p className={readings.formats}>
          A <code>*.site.json</code> says where the site is and what stands there: place, modules, arrays, inverters, meters, losses,
          promise, costs. Unknown fields are refused by name.
        </p>
      </Dropzone>
      {refusal && <Refused refusal={refusal} />}
      <div className={chapter.actions}>
        <Button variant="default" onClick={() => open(JSON.stringify(newSite(timeZone)), "site")}>
          Start from nothing
        </Button>
        <span className={chapter.soft}>A small roof to write over.</span>
      </div>
    </section>
  );
}
