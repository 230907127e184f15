"use client";

import { Button, Progress } from "@mantine/core";
import { useQuery, useQueryClient } from "@tanstack/react-query";
import { useRouter } from "next/navigation";
import { useEffect } from "react";
import { type AttributionRun, attributionRunSchema } from "@/contracts/attribution";
import { ask } from "@/features/data/ask";
import { useChange } from "@/features/data/use-change";
import chapter from "@/features/kit/look/Chapter.module.css";
import { Refused } from "@/features/kit/problems/ProblemList";
import { attributionFaultInWords } from "@/wording/attribution";
import { say } from "@/wording/screens/ledger-attribution";
import { attributionPath, isWorking, progressQuery } from "./progress-query";

const LEAST_SHOWN_PERCENT = 3;

/** How far the search for causes is; asks for the page anew when it is done. */
export function CauseProgress({ slug, run }: { slug: string; run: AttributionRun }) {
  const router = useRouter();
  const client = useQueryClient();
  const query = progressQuery(slug, run);
  const { data: now } = useQuery(query);
  const isDone = now.isCurrent;
  useEffect(() => {
    if (isDone) router.refresh();
  }, [isDone, router]);
  const { run: act, refusal } = useChange(
    (action: "cancel" | "again") => ask(attributionRunSchema, attributionPath(slug), { method: "POST", body: { action } }),
    { keepsPage: true, onDone: (next) => client.setQueryData(query.queryKey, next) },
  );
  if (isDone) return null;
  return (
    <div className={chapter.actions} role="status" data-testid="cause-progress">
      {isWorking(now) ? (
        <>
          <Progress
            value={Math.max(LEAST_SHOWN_PERCENT, 100 * now.doneFrac)}
            w={180}
            size="sm"
            color="var(--moss)"
            aria-label={say.searchForCauses}
          />
          <span className={chapter.soft}>{say.causesAreSoughtAnew(now.hasReport ? say.whatYouSeeIsFromBefore : "")}</span>
          <Button variant="subtle" size="compact-sm" onClick={() => act("cancel")}>
            Stop
          </Button>
        </>
      ) : (
        <>
          <span className={chapter.soft}>
            {now.state === "cancelled"
              ? say.theSearchForCausesWasStopped
              : say.theSearchFailed(attributionFaultInWords(now.fault ?? "failed"))}
          </span>
          <Button variant="default" size="compact-sm" onClick={() => act("again")}>
            {say.seekTheCauses}
          </Button>
        </>
      )}
      {refusal && <Refused refusal={refusal} />}
    </div>
  );
}
