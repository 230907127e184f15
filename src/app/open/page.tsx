import type { Metadata } from "next";
import { OpeningPage } from "@/features/opening/OpeningPage";
import { Desk } from "@/features/shell/Desk";
import { house } from "@/wiring";
import { say } from "@/wording/screens/opening";

export const metadata: Metadata = { title: say.openABook };
export const dynamic = "force-dynamic";

export default async function Open() {
  const spines = await house().books.spines();
  return (
    <Desk spines={spines} slug={null} chapter={null}>
      <OpeningPage />
    </Desk>
  );
}
