"use client";

import { Button, Progress } from "@mantine/core";
import { useRouter } from "next/navigation";
import { useEffect, useState } from "react";
import type { AttributionRun } from "@/contracts/attribution";
import { asRefused, call, type RefusedCall } from "@/features/data/api";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";

const LOOK_EVERY_MS = 700;
/** With no step forward for this long no worker runs: the page offers to do it itself. */
const NO_WORKER_LOOKS = 12;

/** How far the search for causes is; fetches the page anew when it is done. */
export function CauseProgress({ slug, run }: { slug: string; run: AttributionRun }) {
  const router = useRouter();
  const [now, setNow] = useState(run);
  const [looks, setLooks] = useState(0);
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const path = `/api/books/${slug}/causes`;
  const isWorking = now.state === "waiting" || now.state === "running";
  useEffect(() => {
    if (!isWorking) return;
    const timer = setTimeout(() => {
      call<AttributionRun>("GET", path)
        .then((next) => {
          setLooks(next.doneFrac === now.doneFrac ? looks + 1 : 0);
          setNow(next);
          if (next.isCurrent) router.refresh();
        })
        .catch((error: unknown) => setRefusal(asRefused(error)));
    }, LOOK_EVERY_MS);
    return () => clearTimeout(timer);
  }, [isWorking, looks, now, path, router]);
  const act = (action: "cancel" | "again" | "here") =>
    void call<AttributionRun>("POST", path, { action })
      .then((next) => {
        setLooks(0);
        setNow(next);
        if (next.isCurrent) router.refresh();
      })
      .catch((error: unknown) => setRefusal(asRefused(error)));
  if (now.isCurrent) return null;
  return (
    <div className={chapter.actions} role="status" data-testid="cause-progress">
      {isWorking ? (
        <>
          <Progress value={100 * Math.max(0.03, now.doneFrac)} w={180} size="sm" color="var(--moss)" aria-label="Search for causes" />
          <span className={chapter.soft}>
            Causes are sought anew{run.hasReport ? "; what you see is from before the last change" : ""}.
          </span>
          <Button variant="subtle" size="compact-sm" onClick={() => act("cancel")}>
            Stop
          </Button>
          {looks >= NO_WORKER_LOOKS && (
            <Button variant="default" size="compact-sm" onClick={() => act("here")}>
              No worker answers: do it here
            </Button>
          )}
        </>
      ) : (
        <>
          <span className={chapter.soft}>
            {now.state === "cancelled" ? "The search for causes was stopped." : `The search failed: ${now.note}`}
          </span>
          <Button variant="default" size="compact-sm" onClick={() => act("again")}>
            Seek the causes
          </Button>
        </>
      )}
      {refusal && <Refused refusal={refusal} />}
    </div>
  );
}
