import type { Metadata } from "next";
import { Desk } from "@/features/shell/Desk";
import { ValidationPage } from "@/features/validation/ValidationPage";
import { services } from "@/wiring";

export const metadata: Metadata = { title: "Validation" };

export default async function Validation() {
  const books = await services().books.list();
  return (
    <Desk spines={books.map(({ slug, site }) => ({ slug, name: site.name }))} slug={null} chapter={null}>
      <ValidationPage />
    </Desk>
  );
}
