"use client";

import { Button } from "@mantine/core";
import { Dropzone } from "@mantine/dropzone";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { openedBookSchema } from "@/contracts/answers";
import { ask } from "@/features/data/ask";
import { RefusedCall } from "@/features/data/refused-call";
import { useChange } from "@/features/data/use-change";
import { fileInput } from "@/features/kit/file-input";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import readings from "@/features/readings/ReadingsChapter.module.css";
import { say } from "@/wording/screens/shelf";

/** A site document is a page of text; anything larger is another kind of file. */
const LARGEST_SITE_BYTES = 2_000_000;

/** Opens a book from a site file; what has none is told on a page of its own. */
export function NewBook() {
  const router = useRouter();
  // One making, however often it is sent: a double click, or a sending again after a lost connection.
  const [making, setMaking] = useState(() => crypto.randomUUID());
  const [fault, setFault] = useState<RefusedCall | null>(null);
  const opening = useChange(
    (text: string) =>
      ask(openedBookSchema, "/api/books", {
        method: "POST",
        body: text,
        headers: { "content-type": "application/json", "idempotency-key": making },
      }),
    {
      onDone: ({ slug }) => {
        setMaking(crypto.randomUUID());
        router.push(`/books/${slug}/readings`);
      },
    },
  );
  const open = (text: string): void => {
    setFault(null);
    opening.run(text);
  };
  const refusal = fault ?? opening.refusal;
  const take = async (file: File | undefined) => {
    if (!file) return;
    if (file.size > LARGEST_SITE_BYTES)
      return setFault(new RefusedCall("too-large", say.isTooLargeForASite(file.name), say.aSiteFileIsAJson));
    open(await file.text());
  };
  return (
    <section className={chapter.section} id="new">
      <h2>New book</h2>
      <Dropzone
        className={readings.drop}
        unstyled
        multiple={false}
        onDrop={(files) => void take(files[0])}
        onReject={() => setFault(new RefusedCall("one-file", say.moreThanOneFileCameAt, "Drop one site file at a time."))}
        inputProps={fileInput(say.chooseASiteFile, "site-file")}
      >
        <strong>Drop a site file here, or click to choose one</strong>
        <p className={readings.formats}>
          A <code>*.site.json</code> {say.saysWhereTheSiteIsAnd}
        </p>
      </Dropzone>
      {refusal && <Refused refusal={refusal} />}
      <div className={chapter.actions}>
        <Button component={Link} href="/open">
          {say.openABook}
        </Button>
        <span className={chapter.soft}>{say.aTownAndALine}</span>
        <Link href="/bench">{say.benchWithoutABook}</Link>
      </div>
    </section>
  );
}
