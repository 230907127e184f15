import { Desk } from "@/features/shell/Desk";
import { services } from "@/wiring";

export default async function ShelfPage() {
  const books = await services().books.list();
  return <Desk spines={books.map(({ slug, site }) => ({ slug, name: site.name }))} slug={null} chapter={null}>shelf</Desk>;
}
