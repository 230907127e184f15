import cases from "@generated/trainer-cases.json";
import type { Metadata } from "next";
import { trainerCasesSchema } from "@/contracts/trainer";
import { Desk } from "@/features/shell/Desk";
import { TrainerPage } from "@/features/trainer/TrainerPage";
import { services } from "@/wiring";

export const metadata: Metadata = { title: "Trainer" };
export const dynamic = "force-dynamic";

export default async function Trainer() {
  const books = await services().books.list();
  return (
    <Desk spines={books.map(({ slug, site }) => ({ slug, name: site.name }))} slug={null} chapter={null}>
      <TrainerPage cases={trainerCasesSchema.parse(cases)} />
    </Desk>
  );
}
