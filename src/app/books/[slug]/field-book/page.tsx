import type { Metadata } from "next";
import { bookPage } from "@/app/book-page";
import { entryEffects } from "@/contracts/attribution";
import { FieldBookChapter } from "@/features/field-book/FieldBookChapter";
import { FIELD_BOOK_VIEWS } from "@/features/field-book/field-book-views";
import { bookReminders } from "@/usecases/reminders";
import { trialMeters } from "@/usecases/trials";

export const metadata: Metadata = { title: "Field book" };

interface Props {
  params: Promise<{ slug: string }>;
  searchParams: Promise<{ view?: string }>;
}

export default async function FieldBookPage({ params, searchParams }: Props) {
  const { slug } = await params;
  const { view: asked } = await searchParams;
  // The reading of an inverter is read at the wall now, with the day and the lifetime.
  const view = asked === "inverter" ? "wall" : asked;
  return bookPage(slug, "field-book", async (book, { entries, viewOf, readings, ask }) => {
    const [written, attribution, columns] = await Promise.all([entries.of(book.id), viewOf(book), readings.heldOf(book.id)]);
    const { site } = book;
    const name = (id: string): string => site.arrays.find((array) => array.id === id)?.name || id;
    return (
      <FieldBookChapter
        key={slug}
        slug={slug}
        view={FIELD_BOOK_VIEWS.find((candidate) => candidate.id === view)?.id ?? "entries"}
        site={site}
        version={book.version}
        entries={written}
        effects={entryEffects(written, attribution)}
        reminders={bookReminders(site, written, new Date().toISOString().slice(0, 10))}
        trialMeters={trialMeters(site, columns).map(({ id, point, arrays }) => ({
          id,
          point,
          name: `${id} (${arrays.length === 0 ? "all" : arrays.map(name).join(", ")}, ${point.toUpperCase()})`,
        }))}
        hasWeather={columns.some(({ meterId }) => meterId === "")}
        wall={view === "wall" ? await ask(book, "health", {}) : null}
        nowUtcMs={Date.now()}
      />
    );
  });
}
