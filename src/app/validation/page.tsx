import type { Metadata } from "next";
import { Desk } from "@/features/shell/Desk";
import { ValidationPage } from "@/features/validation/ValidationPage";
import { house } from "@/wiring";

export const metadata: Metadata = { title: "Validation" };

export default async function Validation() {
  const spines = await house().books.spines();
  return (
    <Desk spines={spines} slug={null} chapter={null}>
      <ValidationPage />
    </Desk>
  );
}
