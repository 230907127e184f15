import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { ReadingsChapter } from "@/features/readings/ReadingsChapter";
import { coverageOf } from "@/usecases/imports";

export const metadata: Metadata = { title: "Readings" };

export default async function ReadingsPage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  return bookPage(slug, "readings", async (book, { imports, readings }) => (
    <ReadingsChapter
      slug={slug}
      name={book.site.name}
      timeZone={book.site.place.timeZone}
      zones={Intl.supportedValuesOf("timeZone")}
      meters={book.site.meters.map((meter) => meter.id)}
      batches={await imports.batchesOf(book.id)}
      coverage={await coverageOf(readings, book.id, book.site.place.timeZone)}
    />
  ));
}
