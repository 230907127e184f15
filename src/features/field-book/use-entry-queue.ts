"use client";

import { useRouter } from "next/navigation";
import { useCallback, useEffect, useState } from "react";
import type { NewEntryInput } from "@/contracts/field-book";
import { forget, keep, sendWaiting, type Waiting, waitingFor } from "./entry-queue";

const AGAIN_MS = 15_000;

export interface EntryQueue {
  readonly waiting: readonly Waiting[];
  /** Keeps an entry here and sends it as soon as the line allows; true when the server has it already. */
  readonly write: (entry: NewEntryInput, photo?: Blob | null) => Promise<boolean>;
  readonly drop: (clientId: string) => Promise<void>;
}

/** Entries go through this browser's own store, so that a lost connection loses nothing and doubles nothing. */
export function useEntryQueue(slug: string): EntryQueue {
  const router = useRouter();
  const [waiting, setWaiting] = useState<readonly Waiting[]>([]);
  const look = useCallback(async () => setWaiting(await waitingFor(slug)), [slug]);
  const sendAll = useCallback(async (): Promise<void> => {
    const sent = await sendWaiting(slug);
    await look();
    if (sent > 0) router.refresh();
  }, [slug, look, router]);
  useEffect(() => {
    const go = (): void => void sendAll();
    go();
    window.addEventListener("online", go);
    const timer = window.setInterval(() => {
      if (navigator.onLine) go();
    }, AGAIN_MS);
    return () => {
      window.removeEventListener("online", go);
      window.clearInterval(timer);
    };
  }, [sendAll]);
  const write = async (entry: NewEntryInput, photo: Blob | null = null): Promise<boolean> => {
    const clientId = crypto.randomUUID();
    await keep({ clientId, slug, entry, photo, writtenAt: Date.now(), refused: null });
    await sendAll();
    return !(await waitingFor(slug)).some((each) => each.clientId === clientId);
  };
  const drop = async (clientId: string): Promise<void> => {
    await forget(clientId);
    await look();
  };
  return { waiting, write, drop };
}
