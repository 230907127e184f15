"use client";

import { useEffect } from "react";
import { HOUR_MS } from "@/core/units";
import { reportFailure } from "@/features/data/report-failure";

/** After the page is there and still: what it asks the server for is for later. */
const WAIT_MS = 4000;
/** A book's field book is kept anew once in so long, ms. */
const ANEW_MS = HOUR_MS;

/** Has this browser keep the book's field book, to be opened where there is no line. Browsers allow it over https, or on the machine itself. */
export function KeepFieldBook({ slug }: { slug: string }) {
  useEffect(() => {
    const worker = navigator.serviceWorker as ServiceWorkerContainer | undefined;
    const key = `dusty-ledger:kept:${slug}`;
    if (!worker || Date.now() - Number(sessionStorage.getItem(key)) < ANEW_MS) return;
    const later = setTimeout(() => {
      sessionStorage.setItem(key, String(Date.now()));
      keep(worker, slug).catch((error: unknown) => {
        // Without a line there is nothing to keep, and nobody asked for it.
        if (navigator.onLine) reportFailure(error);
      });
    }, WAIT_MS);
    return () => clearTimeout(later);
  }, [slug]);
  return null;
}

async function keep(worker: ServiceWorkerContainer, slug: string): Promise<void> {
  // Its scope is this one chapter: what other pages ask for never passes it.
  const { active, waiting, installing } = await worker.register("/field-book-worker.js", { scope: `/books/${slug}/field-book` });
  (active ?? waiting ?? installing)?.postMessage({ keep: slug });
}
