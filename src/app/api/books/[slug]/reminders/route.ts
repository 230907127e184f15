import { answer } from "@/app/answer";
import { bookBySlug } from "@/usecases/books";
import { remindersFile } from "@/usecases/reminders";
import { house } from "@/wiring";
import { reminderInWords } from "@/wording/reminders";

/** What is to come of a book, as a calendar file. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, entries } = house();
    const book = await bookBySlug(books, (await params).slug);
    const text = remindersFile(book, await entries.of(book.id), new Date().toISOString().slice(0, 10), reminderInWords);
    return new Response(text, {
      headers: {
        "content-type": "text/calendar; charset=utf-8",
        "content-disposition": `attachment; filename="${book.slug}-reminders.ics"`,
      },
    });
  });
}
