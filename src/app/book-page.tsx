import { notFound } from "next/navigation";
import type { ReactNode } from "react";
import { KeepFieldBook } from "@/features/field-book/offline/KeepFieldBook";
import type { ChapterId } from "@/features/shell/chapters";
import { Desk } from "@/features/shell/Desk";
import { Fleeting } from "@/features/standing/Fleeting";
import { Reckoning } from "@/features/standing/Reckoning";
import { SetAside } from "@/features/standing/SetAside";
import type { Book } from "@/usecases/books";
import { Refusal } from "@/usecases/refusal";
import { type House, house } from "@/wiring";
import { refusalInWords } from "@/wording/refusals";

/** A chapter of a book on the desk: finds the book, gathers the spines, and hands both to the chapter. Figures that are not at hand are said to be so. */
export async function bookPage(
  slug: string,
  chapter: ChapterId,
  page: (book: Book, house: House) => Promise<ReactNode>,
): Promise<ReactNode> {
  const own = house();
  const spines = await own.books.spines();
  const name = spines.find((spine) => spine.slug === slug)?.name;
  if (name === undefined) notFound();
  const open = async (): Promise<ReactNode> => {
    const book = await own.books.bySlug(slug);
    return book ? page(book, own) : notFound();
  };
  return (
    <Desk spines={spines} slug={slug} chapter={chapter}>
      <KeepFieldBook slug={slug} />
      {await open().catch((error: unknown) => standIn(error, slug, name, own))}
    </Desk>
  );
}

/** What stands where a chapter's figures are not at hand; any other fault stays one. */
async function standIn(error: unknown, slug: string, name: string, { books }: House): Promise<ReactNode> {
  if (!(error instanceof Refusal)) throw error;
  if (error.code === "reckoning")
    return (
      <Fleeting>
        <Reckoning name={name} />
      </Fleeting>
    );
  if (error.code !== "set-aside") throw error;
  const isDocument = error.reason === "set-aside-document";
  const mends = isDocument ? ((await books.find(slug))?.version ?? null) : null;
  return <SetAside slug={slug} name={name} {...refusalInWords(error)} mendsVersion={mends} />;
}
