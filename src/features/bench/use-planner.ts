"use client";

import { proxy, type Remote } from "comlink";
import { useEffect, useState } from "react";
import type { Site } from "@/core/site";
import type { TiltGoal } from "@/core/tilt";
import type { PlannerReport } from "@/features/geometry/engine-types";
import type { GeometryEngine } from "@/features/geometry/geometry.worker";

export interface PlannerState {
  readonly report: PlannerReport | null;
  /** 0 to 1 while it works, null when it rests. */
  readonly progress: number | null;
  readonly cancelled: boolean;
  readonly cancel: () => void;
  readonly again: () => void;
}

export interface PlannerQuestion {
  readonly site: Site;
  readonly arrayId: string;
  readonly goal: TiltGoal;
}

/** The planner's answer in the worker, with progress; a changed question ends the one before. */
export function usePlanner(engine: Remote<GeometryEngine> | null, question: PlannerQuestion): PlannerState {
  const [report, setReport] = useState<PlannerReport | null>(null);
  const [progress, setProgress] = useState<number | null>(null);
  const [cancelled, setCancelled] = useState(false);
  const [round, setRound] = useState(0);
  const text = JSON.stringify(question);
  // biome-ignore lint/correctness/useExhaustiveDependencies: a round asks the same question again
  useEffect(() => {
    if (!engine) return;
    let stale = false;
    const { site, arrayId, goal } = JSON.parse(text) as PlannerQuestion;
    setCancelled(false);
    setProgress(0);
    const tell = (done: number): void => {
      if (!stale) setProgress(done);
    };
    void engine.planner(site, arrayId, goal, null, proxy(tell)).then((answer) => {
      if (stale) return;
      setProgress(null);
      if (answer) setReport(answer);
      else setCancelled(true);
    });
    return () => {
      stale = true;
    };
  }, [engine, text, round]);
  return { report, progress, cancelled, cancel: () => void engine?.cancel(), again: () => setRound(round + 1) };
}
