"use client";

import { Button } from "@mantine/core";
import { useMutation, useQuery, useQueryClient } from "@tanstack/react-query";
import Link from "next/link";
import { z } from "zod";
import { type KeptTest, keptTestSchema, repeatedSchema } from "@/contracts/acceptance";
import { ask, tell } from "@/features/data/ask";
import { asRefused } from "@/features/data/refused-call";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { guaranteeNames, outcomeInWords } from "@/wording/acceptance";
import { dateName } from "@/wording/format";
import { say } from "@/wording/screens/acceptance";
import styles from "./Acceptance.module.css";

interface KeptTestsProps {
  readonly slug: string;
  readonly kept: readonly KeptTest[];
}

const listSchema = z.array(keptTestSchema);

/** Tests that were kept with their figures, newest first. */
export function KeptTests({ slug, kept }: KeptTestsProps) {
  const { data } = useQuery({
    queryKey: ["kept-tests", slug],
    queryFn: ({ signal }) => ask(listSchema, `/api/books/${slug}/tests`, { signal }),
    initialData: [...kept],
  });
  if (data.length === 0) return <p className={chapter.verdict}>{say.noneKept}</p>;
  return (
    <>
      <p className={chapter.soft}>
        <Link href="/evidence">{say.checkEvidence}</Link>
      </p>
      <ul className={styles.kept}>
        {data.map((test) => (
          <li key={test.id}>
            <KeptLine slug={slug} test={test} />
          </li>
        ))}
      </ul>
    </>
  );
}

function KeptLine({ slug, test }: { readonly slug: string; readonly test: KeptTest }) {
  const queries = useQueryClient();
  const repeat = useMutation({ mutationFn: () => ask(repeatedSchema, `/api/books/${slug}/tests/${test.id}`) });
  const remove = useMutation({
    mutationFn: () => tell("DELETE", `/api/books/${slug}/tests/${test.id}`),
    onSuccess: () => queries.invalidateQueries({ queryKey: ["kept-tests", slug] }),
  });
  const { question, frozen } = test;
  const error = repeat.error ?? remove.error;
  return (
    <section className={chapter.section} data-testid={`kept-${test.id}`}>
      <h2>{test.name}</h2>
      <p>
        {question.kind === "capacity" ? say.capacity : guaranteeNames[question.of]}:{" "}
        <b>{outcomeInWords(test.report, question.kind === "capacity" ? question.passFrac : 1)}</b>
      </p>
      <p className={chapter.soft}>{say.restsOn(dateName(test.keptAt.slice(0, 10)), frozen.files.length, frozen.siteHash.slice(0, 12))}</p>
      <div className={chapter.actions}>
        <Button variant="default" loading={repeat.isPending} onClick={() => repeat.mutate()}>
          {say.repeat}
        </Button>
        <Button variant="default" component={Link} href={`/books/${slug}/tests?view=${question.kind}&test=${test.id}`}>
          {say.openTerms}
        </Button>
        <Button variant="default" component="a" href={`/api/books/${slug}/tests/${test.id}/evidence`} download>
          {say.saveEvidence}
        </Button>
        <Button
          variant="subtle"
          loading={remove.isPending}
          onClick={() => window.confirm(say.sureToTakeAway(test.name)) && remove.mutate()}
        >
          {say.takeAway}
        </Button>
      </div>
      {repeat.data && (
        <p role="status" data-testid="repeated">
          {repeat.data.isSame ? say.same : repeat.data.areReadingsSame ? say.programChanged : say.readingsChanged}
          {!repeat.data.isSiteSame && ` ${say.siteChangedSince}`}
        </p>
      )}
      {error && <Refused refusal={asRefused(error)} />}
    </section>
  );
}
