"use client";

import { useSyncExternalStore } from "react";
import chapter from "@/features/kit/look/Chapter.module.css";
import { dateName } from "@/wording/format";
import { say } from "@/wording/screens/field-book";

const never = () => () => {};

/** Said on a page that this browser kept, where the line gave none. */
export function KeptLine() {
  const keptAt = useSyncExternalStore(
    never,
    () => document.documentElement.dataset.keptAt ?? null,
    () => null,
  );
  if (keptAt === null) return null;
  return (
    <p className={chapter.clay} role="status" data-testid="kept">
      {say.noLineKeptAt(dateAndTime(new Date(keptAt)))}
    </p>
  );
}

/** By the reader's own clock. */
const dateAndTime = (at: Date): string =>
  `${dateName(at.toLocaleDateString("sv"))}, ${at.toLocaleTimeString([], { hour: "2-digit", minute: "2-digit" })}`;
