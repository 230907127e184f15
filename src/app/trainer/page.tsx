import cases from "@generated/trainer-cases.json";
import type { Metadata } from "next";
import { trainerCasesSchema } from "@/contracts/trainer";
import { Desk } from "@/features/shell/Desk";
import { TrainerPage } from "@/features/trainer/TrainerPage";
import { house } from "@/wiring";

export const metadata: Metadata = { title: "Trainer" };
export const dynamic = "force-dynamic";

export default async function Trainer() {
  const spines = await house().books.spines();
  return (
    <Desk spines={spines} slug={null} chapter={null}>
      <TrainerPage cases={trainerCasesSchema.parse(cases)} />
    </Desk>
  );
}
