"use client";

import { PlanWeek, type PlanWeekSeason, planWeekHeight } from "@/charts";
import { planWeeks } from "@/core/money";
import { ChartFrame } from "@/features/kit/save/ChartFrame";
import { say } from "@/wording/screens/money-tariff";
import { type PlanDraft, shapeOfDraft } from "./plan-draft";

/** What a plan looks like before its prices are known: its seasons over the year, its bands over a week. Nothing while its hours or months can't be read. */
export function PlanPicture({ draft }: { draft: PlanDraft }) {
  const shape = shapeOfDraft(draft);
  if (!shape) return null;
  const seasons = planWeeks(shape).map(
    ({ season, weekdays, weekends }): PlanWeekSeason => ({
      name: season.name,
      months: season.months,
      bands: season.bands.map(({ name, tiers }) => ({ name, depth: depthOf(season.bands.map(priceOf), priceOf({ tiers })) })),
      days: [
        { name: "weekdays", stretches: weekdays },
        { name: "weekends", stretches: weekends },
      ],
    }),
  );
  const height = planWeekHeight(seasons.length);
  return (
    <ChartFrame
      title={say.itsWeekAndItsYear}
      note={say.deeperIsDearer}
      fileName={`${draft.id}-week`}
      height={height}
      summary={say.bandsOfEachSeason}
      table={() => [
        ["season", "days", "from", "to", "band"],
        ...seasons.flatMap(({ name, days, bands }) =>
          days.flatMap((day) =>
            day.stretches
              .map(({ from, to, band }) => [name, day.name, from, to, band === null ? null : bands[band]!.name] as const)
              .map((row) => [...row]),
          ),
        ),
      ]}
    >
      {(width) => <PlanWeek seasons={seasons} width={width} />}
    </ChartFrame>
  );
}

const priceOf = ({ tiers }: { readonly tiers: readonly { readonly perKwh: string }[] }): number => Number(tiers[0]?.perKwh ?? 0);

/** Where a price stands between the cheapest and the dearest of its season; bands are alike until they differ. */
function depthOf(prices: readonly number[], price: number): number {
  const [least, most] = [Math.min(...prices), Math.max(...prices)];
  return most > least ? (price - least) / (most - least) : 0;
}
