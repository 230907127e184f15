import { useRouter } from "next/navigation";
import { useState } from "react";
import type { SiteDocument } from "@/contracts/site";
import { asRefused, call, type RefusedCall } from "@/features/data/api";

/** Saves the book's money terms; tells how it went. */
export function useMoneySave(slug: string, version: number, site: SiteDocument) {
  const router = useRouter();
  const [current, setCurrent] = useState(version);
  const [refusal, setRefusal] = useState<RefusedCall | null>(null);
  const [note, setNote] = useState("");
  const save = async (money: SiteDocument["money"]): Promise<boolean> => {
    setRefusal(null);
    setNote("");
    try {
      const saved = await call<{ version: number }>("PUT", `/api/books/${slug}`, {
        version: Math.max(current, version),
        site: { ...site, money },
      });
      setCurrent(saved.version);
      setNote("Saved.");
      router.refresh();
      return true;
    } catch (error) {
      setRefusal(asRefused(error));
      return false;
    }
  };
  return { save, refusal, note };
}
