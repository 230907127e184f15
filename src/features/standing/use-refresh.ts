import { useRouter } from "next/navigation";
import { useEffect } from "react";

/** Asks the server for the page anew, again and again, while something is in the making. */
export function useRefresh(isWanted: boolean, everyMs: number): void {
  const router = useRouter();
  useEffect(() => {
    if (!isWanted) return;
    const timer = setInterval(() => router.refresh(), everyMs);
    return () => clearInterval(timer);
  }, [router, isWanted, everyMs]);
}
