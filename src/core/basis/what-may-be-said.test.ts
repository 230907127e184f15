import { describe, expect, it } from "vitest";
import { ANSWERS, ENERGY_BASES, isUsual, mayBeSaid, type Permission, PLANT_BASES, TARIFF_BASES, WEATHER_BASES, weaker } from ".";

/** From the most that an answer says to the least. */
const BOLDNESS: readonly Permission[] = ["yes", "wider", "usual-year", "upper-bound", "less", "withheld"];
const boldness = (permission: Permission): number => BOLDNESS.indexOf(permission);

describe("what may be said on which basis", () => {
  it.each(ANSWERS)("%s: weaker light never says more", (answer) => {
    for (const energy of ENERGY_BASES) {
      const said = WEATHER_BASES.map((weather) => boldness(mayBeSaid(answer, { weather, energy }).permission));
      for (let k = 1; k < said.length; k++) expect(said[k], `${energy}: ${WEATHER_BASES[k]}`).toBeGreaterThanOrEqual(said[k - 1]!);
    }
  });

  it.each(ANSWERS)("%s: rarer readings never say more", (answer) => {
    for (const weather of WEATHER_BASES) {
      const said = ENERGY_BASES.map((energy) => boldness(mayBeSaid(answer, { weather, energy }).permission));
      for (let k = 1; k < said.length; k++) expect(said[k], `${weather}: ${ENERGY_BASES[k]}`).toBeGreaterThanOrEqual(said[k - 1]!);
    }
  });

  it("says with every withheld or lesser answer what to bring", () => {
    for (const answer of ANSWERS)
      for (const weather of WEATHER_BASES)
        for (const energy of ENERGY_BASES) {
          const { permission, bring } = mayBeSaid(answer, { weather, energy });
          if (permission === "withheld" || permission === "less") expect(bring, `${answer} on ${weather}, ${energy}`).not.toBeNull();
        }
  });

  it("reads no age from a usual year's light, from bills, or from nothing", () => {
    for (const weather of WEATHER_BASES.filter(isUsual))
      expect(mayBeSaid("ageing", { weather, energy: "intervals" }).permission).toBe("withheld");
    expect(mayBeSaid("ageing", { weather: "measured", energy: "bills" })).toEqual({ permission: "withheld", bring: "interval-readings" });
    expect(mayBeSaid("ageing", { weather: "measured", energy: "none" })).toEqual({ permission: "withheld", bring: "readings" });
    expect(mayBeSaid("ageing", { weather: "measured", energy: "days" }).permission).toBe("yes");
  });

  it.each(ANSWERS)("%s: a plant that is known less never says more, nor a tariff", (answer) => {
    const on = { weather: "measured", energy: "intervals" } as const;
    const byPlant = PLANT_BASES.map((plant) => boldness(mayBeSaid(answer, { ...on, plant }).permission));
    const byTariff = TARIFF_BASES.map((tariff) => boldness(mayBeSaid(answer, { ...on, tariff }).permission));
    for (const said of [byPlant, byTariff]) expect([...said].sort((a, b) => a - b)).toEqual(said);
  });

  it("judges no string of a plant that is assumed, and says what the expected energy of one hangs on", () => {
    const on = { weather: "measured", energy: "intervals", plant: "assumed" } as const;
    expect(mayBeSaid("string-limits", on)).toEqual({ permission: "withheld", bring: "datasheet" });
    expect(mayBeSaid("expected-this-time", on)).toEqual({ permission: "wider", bring: "plant" });
    expect(mayBeSaid("metered-against-promise", on).permission).toBe("yes");
  });

  it("trusts savings only where the plan gives the bills again", () => {
    const savings = TARIFF_BASES.map((tariff) => mayBeSaid("savings", { weather: "none", energy: "bills", tariff }).permission);
    expect(savings).toEqual(["yes", "less", "less", "withheld"]);
  });

  it("holds what was metered against the promise without any sun", () => {
    expect(mayBeSaid("metered-against-promise", { weather: "none", energy: "months" }).permission).toBe("yes");
  });

  it("takes the weaker of two", () => {
    expect(weaker(WEATHER_BASES, "measured", "climate")).toBe("climate");
    expect(weaker(ENERGY_BASES, "bills", "days")).toBe("bills");
  });
});
