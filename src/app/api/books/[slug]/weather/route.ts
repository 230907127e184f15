import { z } from "zod";
import { answer } from "@/app/answer";
import { packWeather } from "@/contracts/weather-wire";
import { bookBySlug } from "@/usecases/books";
import { allWeather, yearWeather } from "@/usecases/ledger";
import { services } from "@/wiring";

const yearParameter = z.union([z.literal("all"), z.coerce.number().int().min(1990).max(2060)]);

/** A year of the book's weather, or all of it, packed, for what-ifs in the browser. */
export function GET(request: Request, { params }: { params: Promise<{ slug: string }> }): Promise<Response> {
  return answer(request, async () => {
    const { books, ledgerOf } = services();
    const year = yearParameter.parse(new URL(request.url).searchParams.get("year"));
    const book = await bookBySlug(books, (await params).slug);
    const ledger = await ledgerOf(book);
    const { prepared, from, to } = year === "all" ? allWeather(book.site.place, ledger) : yearWeather(book.site.place, ledger, year);
    return new Response(packWeather(prepared.weather, from, to), { headers: { "content-type": "application/octet-stream" } });
  });
}
