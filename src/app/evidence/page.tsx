import type { Metadata } from "next";
import { EvidencePage } from "@/features/evidence/EvidencePage";
import { Desk } from "@/features/shell/Desk";
import { house } from "@/wiring";

export const metadata: Metadata = { title: "Evidence" };

export default async function Evidence() {
  const spines = await house().books.spines();
  return (
    <Desk spines={spines} slug={null} chapter={null}>
      <EvidencePage />
    </Desk>
  );
}
