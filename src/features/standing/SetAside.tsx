"use client";

import { Button } from "@mantine/core";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { z } from "zod";
import { ask } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/standing";

export interface SetAsideProps {
  readonly slug: string;
  readonly name: string;
  readonly message: string;
  readonly help: string;
  /** Whether sums could be tried again: not of a document that can't be read. */
  readonly mayTryAgain: boolean;
}

/** Stands in for the chapters of a book that was set aside: why, and what can be done. */
export function SetAside({ slug, name, message, help, mayTryAgain }: SetAsideProps) {
  const router = useRouter();
  const trying = useChange(
    () =>
      ask(z.object({ slug: z.string() }), `/api/books/${slug}/standing`, {
        method: "POST",
        body: JSON.stringify({ action: "try-again" }),
        headers: { "content-type": "application/json" },
      }),
    { onDone: () => router.refresh() },
  );
  return (
    <div className={chapter.page}>
      <h1>{name}</h1>
      <p className={chapter.verdict}>{message}</p>
      <p className={chapter.soft}>{help}</p>
      {trying.refusal && <Refused refusal={trying.refusal} />}
      <div className={chapter.actions}>
        {mayTryAgain && (
          <Button loading={trying.isBusy} onClick={() => trying.run(undefined)}>
            {say.tryAgain}
          </Button>
        )}
        <Link href={`/api/books/${slug}/site`} prefetch={false}>
          {say.takeItsSiteFile}
        </Link>
        <Link href="/">{say.backToTheShelf}</Link>
      </div>
    </div>
  );
}
