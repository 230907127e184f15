import { notFound } from "next/navigation";
import type { ReactNode } from "react";
import type { ChapterId } from "@/features/shell/chapters";
import { Desk } from "@/features/shell/Desk";
import type { Book } from "@/usecases/books";
import { type Services, services } from "@/wiring";

/** A chapter of a book on the desk: finds the book, gathers the spines, and hands both to the chapter. */
export async function bookPage(
  slug: string,
  chapter: ChapterId,
  page: (book: Book, services: Services) => Promise<ReactNode>,
): Promise<ReactNode> {
  const all = services();
  const [book, spines] = await Promise.all([all.books.bySlug(slug), all.books.spines()]);
  if (!book) notFound();
  return (
    <Desk spines={spines} slug={slug} chapter={chapter}>
      {await page(book, all)}
    </Desk>
  );
}
