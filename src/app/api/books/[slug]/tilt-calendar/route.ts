import { answer } from "@/app/answer";
import { tiltCalendarSchema } from "@/contracts/tilt-calendar";
import { bookBySlug } from "@/usecases/books";
import { tiltReminders } from "@/usecases/reminders";
import { house } from "@/wiring";
import { tiltWords } from "@/wording/reminders";

/** Reminders of a rack's changes of tilt, as a calendar file. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const asked = tiltCalendarSchema.parse(Object.fromEntries(new URL(request.url).searchParams));
    const book = await bookBySlug(house().books, (await params).slug);
    const text = tiltReminders(book, asked.array, asked.steps, new Date().toISOString().slice(0, 10), tiltWords);
    return new Response(text, {
      headers: { "content-type": "text/calendar; charset=utf-8", "content-disposition": `attachment; filename="${book.slug}-tilts.ics"` },
    });
  });
}
