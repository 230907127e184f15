import { describe, expect, it } from "vitest";
import { ANSWERS, ENERGY_BASES, isUsual, mayBeSaid, type Permission, WEATHER_BASES, weaker } from ".";

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

  it("holds what was metered against the promise without any sun", () => {
    expect(mayBeSaid("metered-against-promise", { weather: "none", energy: "months" }).permission).toBe("yes");
  });

  it("takes the weaker of two", () => {
    expect(weaker(WEATHER_BASES, "measured", "climate")).toBe("climate");
    expect(weaker(ENERGY_BASES, "bills", "days")).toBe("bills");
  });
});
