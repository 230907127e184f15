"use client";

import { FileInput } from "@mantine/core";
import { useMutation } from "@tanstack/react-query";
import { type EvidenceCheck, evidenceCheckSchema } from "@/contracts/evidence";
import { ask } from "@/features/data/ask";
import { asRefused } from "@/features/data/refused-call";
import { fileInput } from "@/features/kit/file-input";
import chapter from "@/features/kit/look/Chapter.module.css";
import { ScrollBox } from "@/features/kit/look/ScrollBox";
import { Refused } from "@/features/kit/problems/ProblemList";
import { type Column, DataTable } from "@/features/kit/table/DataTable";
import { guaranteeNames, outcomeInWords } from "@/wording/acceptance";
import { dateName, number } from "@/wording/format";
import { say } from "@/wording/screens/acceptance";
import styles from "./Evidence.module.css";

/** Looks at an evidence file that somebody brought: whether it is what was signed, and what it says. */
export function EvidencePage() {
  const { mutate, data, error, isPending } = useMutation({
    mutationFn: async (file: File) => ask(evidenceCheckSchema, "/api/evidence", { method: "POST", body: await file.text() }),
  });
  return (
    <div className={chapter.page}>
      <h1>{say.checkEvidence}</h1>
      <p className={chapter.verdict} data-lines="2" data-testid="evidence-verdict" data-intact={data?.isIntact}>
        {data ? data.isIntact ? say.intact(data.keyFingerprint, data.isOwnKey) : <Changed data={data} /> : say.evidenceWhat}
      </p>
      <FileInput
        className={styles.file}
        label={say.chooseEvidence}
        accept="application/json,.json"
        disabled={isPending}
        onChange={(file) => file && mutate(file)}
        fileInputProps={fileInput(say.chooseEvidence, "evidence-file")}
      />
      {error && <Refused refusal={asRefused(error)} />}
      {data?.isIntact && <Content data={data} />}
    </div>
  );
}

const Changed = ({ data }: { readonly data: EvidenceCheck }) => (
  <strong className={chapter.clay}>{say.changed(data.keyFingerprint)}</strong>
);

type Source = EvidenceCheck["sources"][number];

const COLUMNS: readonly Column<Source>[] = [
  { key: "name", head: say.rawFile, kind: "words", namesRow: true, cell: ({ name }) => name },
  { key: "bytes", head: say.bytes, cell: ({ byteCount }) => number(byteCount) },
  { key: "sha256", head: say.sha256, kind: "words", cell: ({ sha256 }) => <code className={styles.hash}>{sha256}</code> },
];

/** What an evidence file that holds says: only then is it worth reading. */
function Content({ data: { book, madeAt, test, sources } }: { readonly data: EvidenceCheck }) {
  const { question, report } = test;
  return (
    <section className={chapter.section}>
      <h2>{say.ofBook(book, test.name)}</h2>
      <p>
        {question.kind === "capacity" ? say.capacity : guaranteeNames[question.of]}:{" "}
        <b>{outcomeInWords(report, question.kind === "capacity" ? question.passFrac : 1)}</b>
      </p>
      <p className={chapter.soft}>{say.signedOn(dateName(madeAt.slice(0, 10)))}</p>
      <h2>{say.rawFiles}</h2>
      <ScrollBox label={say.rawFiles}>
        <DataTable
          className={`${chapter.table} ${styles.files}`}
          columns={COLUMNS}
          rows={sources}
          rowKey={({ sha256 }, k) => `${sha256} ${k}`}
          fileName="raw-files"
        />
      </ScrollBox>
      <p className={chapter.soft}>{say.withRawFiles}</p>
    </section>
  );
}
