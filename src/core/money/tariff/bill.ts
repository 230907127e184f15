import { DAY_MS } from "../../units";
import { Exact, quantity, roundTo, ZERO } from "../exact";
import { daysInMonth, riseOn } from "./price-at";
import type { Band, Plan } from "./types";
import type { UsageSlice } from "./usage";

export interface EnergyCharge {
  readonly season: string;
  readonly band: string;
  readonly kwh: Exact;
  readonly perKwh: Exact;
  readonly amount: Exact;
}

/** What waits for later bills: kWh by band under net metering, money under net billing. */
export interface CreditBank {
  readonly kwhByBand: Readonly<Record<string, Exact>>;
  readonly amount: Exact;
}
export const EMPTY_BANK: CreditBank = { kwhByBand: {}, amount: ZERO };

/** A bill with every line of it. Charges are positive, what is earned negative. */
export interface Bill {
  readonly from: string;
  readonly to: string;
  readonly fixed: Exact;
  readonly energy: readonly EnergyCharge[];
  readonly levies: Exact;
  readonly demand: Exact;
  /** Added where the charges fall short of the plan's minimum. */
  readonly minimumTopUp: Exact;
  readonly taxes: Exact;
  readonly credit: Exact;
  /** Carried to later bills. */
  readonly bankAfter: CreditBank;
  /** Rounded once, to the currency's minor unit. */
  readonly total: Exact;
}

/**
 * Charges a period. Fixed charges go by calendar months, a broken month by its days; tiers and minimum are prorated alike; taxes lie on all
 * charges, not on the export credit; the total alone is rounded.
 */
export function billOf(slices: readonly UsageSlice[], currency: string, bank: CreditBank = EMPTY_BANK): Bill {
  const [first, last] = [slices[0]!, slices.at(-1)!];
  const netted = net(slices, bank);
  const energy = netted.slices.flatMap(energyOf);
  const fixed = sumBy(slices, (slice) => {
    const months = monthsOf(slice);
    const { plan } = slice;
    return months.times(plan.fixedPerMonth).plus(new Exact(plan.fixedPerDay).times(slice.days)).times(riseOn(plan, slice.from));
  });
  const levies = sumBy(netted.slices, ({ plan, bought }) =>
    sumBy(plan.levies, ({ perKwh }) => new Exact(perKwh).times(sumBy(bought, (kwh) => kwh))),
  );
  const demand = sumBy(slices, (slice) =>
    slice.plan.demand
      ? quantity(slice.peakKw ?? 0)
          .times(slice.plan.demand.perKw)
          .times(monthsOf(slice))
          .times(riseOn(slice.plan, slice.from))
      : ZERO,
  );
  const charges = fixed
    .plus(sumBy(energy, ({ amount }) => amount))
    .plus(levies)
    .plus(demand);
  const minimum = sumBy(slices, (slice) => new Exact(slice.plan.minimumPerMonth ?? 0).times(monthsOf(slice)));
  const minimumTopUp = Exact.max(0, minimum.minus(charges));
  const taxes = charges.plus(minimumTopUp).times(sumBy(last.plan.taxes, ({ frac }) => new Exact(frac)));
  const credit = sumBy(netted.slices, ({ plan, sold }) =>
    plan.credit.kind === "net-billing" || plan.credit.kind === "feed-in" ? new Exact(plan.credit.perKwh ?? 0).times(sold).negated() : ZERO,
  ).minus(netted.paidOut);
  const due = charges.plus(minimumTopUp).plus(taxes).plus(credit);
  const settled = settle(due, last, bank, currency);
  return {
    from: first.from,
    to: last.to,
    fixed,
    energy,
    levies,
    demand,
    minimumTopUp,
    taxes,
    credit,
    bankAfter: { kwhByBand: netted.bank, amount: settled.carried },
    total: settled.total,
  };
}

/** Bills one after the other, each with the bank that the one before left. */
export function billsInTurn(periods: readonly (readonly UsageSlice[])[], currency: string): Bill[] {
  let bank = EMPTY_BANK;
  return periods.map((slices) => {
    const bill = billOf(slices, currency, bank);
    bank = bill.bankAfter;
    return bill;
  });
}

interface NettedSlice extends UsageSlice {
  readonly bought: readonly Exact[];
  readonly sold: Exact;
}

const wholeOr = ({ wholeKwh }: Plan, kwh: number): Exact => (wholeKwh ? quantity(kwh).toDecimalPlaces(0) : quantity(kwh));
const bandsOf = ({ plan, season }: UsageSlice): readonly Band[] => plan.seasons.find(({ name }) => name === season)!.bands;
const closesYear = ({ plan, to }: UsageSlice): boolean => plan.credit.trueUpMonth === Number(to.slice(5, 7));

/** Under net metering exported kWh pay for bought ones of their band, this period's first, then the bank's; what is over goes into the bank. */
function net(slices: readonly UsageSlice[], bank: CreditBank): { slices: NettedSlice[]; bank: Record<string, Exact>; paidOut: Exact } {
  const held: Record<string, Exact> = { ...bank.kwhByBand };
  const out = slices.map((slice): NettedSlice => {
    const imported = slice.importKwh.map((kwh) => wholeOr(slice.plan, kwh));
    const exported = slice.exportKwh.map((kwh) => wholeOr(slice.plan, kwh));
    if (slice.plan.credit.kind !== "net-metering")
      return {
        ...slice,
        bought: imported,
        sold: wholeOr(
          slice.plan,
          slice.exportKwh.reduce((a, b) => a + b, 0),
        ),
      };
    const bought = bandsOf(slice).map(({ name }, k) => {
      const offered = (held[name] ?? ZERO).plus(exported[k]!);
      const used = Exact.min(offered, imported[k]!);
      held[name] = offered.minus(used);
      return imported[k]!.minus(used);
    });
    return { ...slice, bought, sold: ZERO };
  });
  const last = slices.at(-1)!;
  if (last.plan.credit.kind !== "net-metering" || !closesYear(last)) return { slices: out, bank: held, paidOut: ZERO };
  const left = sumBy(Object.values(held), (kwh) => kwh);
  return { slices: out, bank: {}, paidOut: left.times(last.plan.credit.trueUpPerKwh ?? 0) };
}

function energyOf(slice: NettedSlice): EnergyCharge[] {
  const rise = riseOn(slice.plan, slice.from);
  const months = monthsOf(slice);
  return bandsOf(slice).flatMap(({ name, tiers }, k) => {
    let left = slice.bought[k]!;
    let below = ZERO;
    const charges: EnergyCharge[] = [];
    for (const { upToKwh, perKwh } of tiers) {
      const limit = upToKwh === null ? null : new Exact(upToKwh).times(months);
      const kwh = limit === null ? left : Exact.min(left, limit.minus(below));
      if (kwh.gt(0)) {
        const risen = new Exact(perKwh).times(rise);
        charges.push({ season: slice.season, band: name, kwh, perKwh: risen, amount: kwh.times(risen) });
      }
      left = left.minus(kwh);
      below = limit ?? below;
    }
    return charges;
  });
}

/** Calendar months in a slice: a whole month is 1, a broken one its days' share. */
export function monthsOf({ from, to }: Pick<UsageSlice, "from" | "to">): Exact {
  let months = ZERO;
  let at = from;
  while (at <= to) {
    const ends = `${at.slice(0, 8)}${String(daysInMonth(at)).padStart(2, "0")}`;
    const until = ends < to ? ends : to;
    const days = Number(until.slice(8)) - Number(at.slice(8)) + 1;
    months = months.plus(new Exact(days).div(daysInMonth(at)));
    at = new Date(Date.parse(until) + DAY_MS).toISOString().slice(0, 10);
  }
  return months;
}

/** Under net billing with a true-up, a negative bill waits; the true-up month pays it out. */
function settle(due: Exact, last: UsageSlice, bank: CreditBank, currency: string): { total: Exact; carried: Exact } {
  const { credit } = last.plan;
  const open = due.plus(bank.amount);
  const waits = credit.kind === "net-billing" && credit.trueUpMonth !== null && !closesYear(last) && open.isNegative();
  return waits ? { total: ZERO, carried: roundTo(open, currency) } : { total: roundTo(open, currency), carried: ZERO };
}

function sumBy<T>(items: readonly T[], of: (item: T) => Exact): Exact {
  return items.reduce<Exact>((sum, item) => sum.plus(of(item)), ZERO);
}
