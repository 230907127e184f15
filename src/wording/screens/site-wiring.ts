import { catalogue } from "../catalogue";

/** What is said of inverters that stay, charge controllers and batteries. */
export const say = catalogue({
  offTheGrid: "Charge controller and battery",
  chargeController: "charge controller",
  batteryOf: (kwh: string) => `battery ${kwh} kWh`,
  controllerMaxA: "Into the battery at most, A",
  addAController: "Add a charge controller",
  removeTheController: "Remove the charge controller",
  addABattery: "Add a battery",
  removeTheBattery: "Remove the battery",
  controllerLets: "The controller lets at most ",
  intoTheBattery: (array: string, isLess: boolean) =>
    ` into this battery; the array has ${array}.${isLess ? " The expected energy does not take off what it holds back in full light." : ""}`,
  offTheGridUndrawn:
    "Off the grid a full battery takes no more: what was not drawn stands in the account as unexplained, and can’t be told from a loss there.",
  inverterStays: (id: string, acKw: string, nowKwp: string, beforeKwp: string, ratio: string) =>
    `Inverter ${id} stays as it was: ${acKw} kW for ${nowKwp} kWp now (${beforeKwp} before), DC to AC ${ratio}.`,
  stringsKeepItsLimits: "The new strings keep its limits.",
  stringsBreakItsLimits: "The new strings break its limits:",
  stringsNotKnownToKeep: "Whether the new strings keep its limits is not known:",
});
