"use client";

import { Button, FileButton } from "@mantine/core";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { useState } from "react";
import { z } from "zod";
import { ask, tell } from "@/features/data/ask";
import { RefusedCall } from "@/features/data/refused-call";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { say } from "@/wording/screens/standing";

export interface SetAsideProps {
  readonly slug: string;
  readonly name: string;
  readonly message: string;
  readonly help: string;
  /** Version whose document can't be read, and is put right by a site file; null where sums can be tried again. */
  readonly mendsVersion: number | null;
}

/** Stands in for the chapters of a book that was set aside: why, and what can be done. */
export function SetAside({ slug, name, message, help, mendsVersion }: SetAsideProps) {
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
  const mending = useChange((site: unknown) => tell("PUT", `/api/books/${slug}`, { version: mendsVersion, site }));
  const [fault, setFault] = useState<RefusedCall | null>(null);
  const take = async (file: File | null): Promise<void> => {
    if (!file) return;
    setFault(null);
    const site = await file
      .text()
      .then((text) => JSON.parse(text) as unknown)
      .catch(() => null);
    if (site === null) setFault(new RefusedCall("no-json", say.isNoSiteFile(file.name), say.aSiteFileIsJson));
    else mending.run(site);
  };
  const refusal = fault ?? trying.refusal ?? mending.refusal;
  return (
    <div className={chapter.page}>
      <h1>{name}</h1>
      <p className={chapter.verdict}>{message}</p>
      <p className={chapter.soft}>{help}</p>
      {refusal && <Refused refusal={refusal} />}
      <div className={chapter.actions}>
        {mendsVersion !== null ? (
          <FileButton accept="application/json,.json" onChange={(file) => void take(file)}>
            {(props) => (
              <Button {...props} loading={mending.isBusy}>
                {say.putACorrectedFile}
              </Button>
            )}
          </FileButton>
        ) : (
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
