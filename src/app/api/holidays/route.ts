import { answer } from "@/app/answer";
import { holidayQuestionSchema } from "@/contracts/holidays";
import { house } from "@/wiring";

/** Public holidays of a country: ?country=AU&from=2024&to=2026. Without a country, those that are known. */
export function GET(request: Request): Promise<Response> {
  return answer(request, async () => {
    const asked = Object.fromEntries(new URL(request.url).searchParams);
    const { holidays } = house();
    return Response.json(await (Object.keys(asked).length === 0 ? holidays.countries() : holidays.of(holidayQuestionSchema.parse(asked))));
  });
}
