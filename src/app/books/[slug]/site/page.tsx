import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { yearsIfKnown } from "@/app/years-if-known";
import { SiteChapter } from "@/features/site/SiteChapter";
import { SITE_VIEWS } from "@/features/site/site-views";

export const metadata: Metadata = { title: "Site" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ view?: string }>;
}

export default async function SitePage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { view } = await searchParams;
  const zones = ["UTC", ...Intl.supportedValuesOf("timeZone")];
  return bookPage(slug, "site", async (book, { figuresOf }) => (
    <SiteChapter
      slug={slug}
      version={book.version}
      site={book.site}
      view={SITE_VIEWS.find((candidate) => candidate.id === view)?.id ?? "place"}
      timeZones={zones}
      today={new Date().toISOString().slice(0, 10)}
      years={await yearsIfKnown(figuresOf(book))}
    />
  ));
}
