import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { SiteChapter } from "@/features/site/SiteChapter";

export const metadata: Metadata = { title: "Site" };

export default async function SitePage({ params }: { params: Promise<{ slug: string }> }) {
  const { slug } = await params;
  const zones = new Set(["UTC", ...Intl.supportedValuesOf("timeZone")]);
  return bookPage(slug, "site", async (book) => (
    <SiteChapter slug={slug} version={book.version} site={book.site} timeZones={[...zones.add(book.site.place.timeZone)]} />
  ));
}
