import type { BillsReport } from "@/contracts/money";
import { Figure } from "@/features/kit/figures/Figure";
import chapter from "@/features/kit/look/Chapter.module.css";
import { number } from "@/wording/format";
import { say } from "@/wording/screens/money-bills";
import { averagePriceWorking } from "@/wording/workings/money-workings";

/** The average price before and since, net and gross of what exports earned, side by side with why they differ. */
export function AveragePrices({ why, currency }: Pick<BillsReport, "why" | "currency">) {
  const { oldPerKwh, netPerKwh, grossPerKwh } = why;
  if (netPerKwh === null || grossPerKwh === null) return null;
  const price = (value: number): string => `${number(value, 3)} ${currency}`;
  const prices: [string, number | null][] = [
    [say.beforeTheArray, oldPerKwh],
    [say.sinceAsPrinted, netPerKwh],
    [say.sinceWithoutExports, grossPerKwh],
  ];
  return (
    <p data-testid="average-prices">
      {say.averagePrices}:{" "}
      {prices
        .filter(([, value]) => value !== null)
        .map(([name, value], k) => (
          <span key={name}>
            {k > 0 && "; "}
            <Figure working={() => averagePriceWorking(name, value!, currency)}>{price(value!)}</Figure> {name}
          </span>
        ))}
      .{" "}
      <span className={chapter.soft}>
        {grossPerKwh > netPerKwh && say.onlyExportsMakeItLow(price(netPerKwh))}{" "}
        {oldPerKwh !== null && say.fixedOnFewer(price(oldPerKwh), price(grossPerKwh))}
      </span>
    </p>
  );
}
