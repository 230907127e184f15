import { nameplateW } from "@/core/site";
import { Shelf, type ShelfBook } from "@/features/shelf/Shelf";
import { Desk } from "@/features/shell/Desk";
import { services } from "@/wiring";

const degrees = (value: number, positive: string, negative: string): string =>
  `${Math.abs(value).toFixed(1)}° ${value < 0 ? negative : positive}`;

export default async function ShelfPage() {
  const { books, ledgerOf, readings } = services();
  const all = await books.list();
  const lines = await Promise.all(
    all.map(async (book): Promise<ShelfBook> => {
      const { report, promise } = await ledgerOf(book);
      const imported = await readings.promiseOf(book.id);
      const year = report.years.at(-1);
      const { latitudeDeg, longitudeDeg } = book.site.place;
      return {
        slug: book.slug,
        kwp: nameplateW(book.site) / 1000,
        place: `${degrees(latitudeDeg, "N", "S")}, ${degrees(longitudeDeg, "E", "W")}`,
        line: year ?? null,
        months: report.months.filter((line) => line.key.startsWith(year?.key ?? "none")),
        context: { site: book.site, sources: report.sources, promiseFrom: imported ? "import" : promise ? "site" : null },
      };
    }),
  );
  return (
    <Desk spines={all.map(({ slug, site }) => ({ slug, name: site.name }))} slug={null} chapter={null}>
      <Shelf books={lines} timeZone={Intl.DateTimeFormat().resolvedOptions().timeZone} />
    </Desk>
  );
}
