"use client";

import { Button } from "@mantine/core";
import Link from "next/link";
import { useRouter } from "next/navigation";
import { startTransition } from "react";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Desk } from "@/features/shell/Desk";
import { say } from "@/wording/screens/standing";

/** What stands where a page broke: it says so, and can be tried again. */
export default function PageBroke({ reset }: { readonly error: Error; readonly reset: () => void }) {
  const router = useRouter();
  const again = (): void =>
    startTransition(() => {
      router.refresh();
      reset();
    });
  return (
    <Desk spines={[]} slug={null} chapter={null}>
      <div className={chapter.page}>
        <h1>{say.cantBeShown}</h1>
        <p className={chapter.verdict}>{say.somethingBroke}</p>
        <div className={chapter.actions}>
          <Button onClick={again}>{say.tryAgain}</Button>
          <Link href="/">{say.backToTheShelf}</Link>
        </div>
      </div>
    </Desk>
  );
}
