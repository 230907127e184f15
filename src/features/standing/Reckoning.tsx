"use client";

import chapter from "@/features/kit/look/Chapter.module.css";
import { say } from "@/wording/screens/standing";
import { useRefresh } from "./use-refresh";

const LOOK_AGAIN_MS = 1500;

/** Stands in for a chapter whose figures are being reckoned; it comes by itself when they are there. */
export function Reckoning({ name }: { readonly name: string }) {
  useRefresh(true, LOOK_AGAIN_MS);
  return (
    <div className={chapter.page}>
      <h1>{name}</h1>
      <p className={chapter.verdict} role="status" data-fleeting="">
        {say.isBeingReckoned}
      </p>
    </div>
  );
}
