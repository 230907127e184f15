"use client";

import { proxy, type Remote } from "comlink";
import { useEffect, useState } from "react";
import type { Site } from "@/core/site";
import type { PlannerReport, TiltGoal } from "@/core/tilt";
import type { GeometryEngine } from "@/features/data/geometry/geometry.worker";

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
  const [state, setState] = useState<Held>({ asked: "", report: null, progress: null, cancelled: false });
  const [round, setRound] = useState(0);
  const asked = JSON.stringify([round, question]);
  useEffect(() => {
    if (!engine) return;
    let stale = false;
    const [, { site, arrayId, goal }] = JSON.parse(asked) as [number, PlannerQuestion];
    const tell = (progress: number): void => {
      if (!stale) setState((current) => ({ ...current, asked, progress, cancelled: false }));
    };
    void engine.planner(site, arrayId, goal, null, proxy(tell)).then((answer) => {
      if (!stale) setState((current) => ({ asked, report: answer ?? current.report, progress: null, cancelled: answer === null }));
    });
    return () => {
      stale = true;
    };
  }, [engine, asked]);
  const begins = state.asked !== asked;
  return {
    report: state.report,
    progress: begins ? 0 : state.progress,
    cancelled: !begins && state.cancelled,
    cancel: () => void engine?.cancel(),
    again: () => setRound(round + 1),
  };
}

interface Held {
  /** The question that the rest speaks of. */
  readonly asked: string;
  readonly report: PlannerReport | null;
  readonly progress: number | null;
  readonly cancelled: boolean;
}
