import type { Metadata } from "next";
import { Desk } from "@/features/shell/Desk";
import { ValidationPage } from "@/features/validation/ValidationPage";
import { services } from "@/wiring";

export const metadata: Metadata = { title: "Validation" };

export default async function Validation() {
  const spines = await services().books.spines();
  return (
    <Desk spines={spines} slug={null} chapter={null}>
      <ValidationPage />
    </Desk>
  );
}
