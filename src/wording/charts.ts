import { catalogue } from "./catalogue";

/** What charts say. */
export const say = catalogue({
  yearsSinceCommissioning: "years counted",
  yearsFromNow: "years from now",
  noneOnAnyDay: "none on any day",
  expectedKwhMetered: (name: string, label: string, label2: string, bar: string) =>
    `${name}: expected ${label} ± ${label2} kWh, metered ${bar}`,
  arraysAndStrings: "arrays and strings",
  chargeController: "charge controller",
  metersAndBattery: "meters and battery",
  metersAndGrid: "meters and grid",
  clickToMoveItOnDc: "Click to move it on: DC, AC, net, export, import",
  aLimitIsBroken: "a limit is broken",
  limitsNotKnown: "limits not known",
  meterMoveItOnAlongThe: (id: string, point: string) => `Meter ${id}, ${point}: move it on along the line`,
  lostAYearOfTheFirst: "lost a year, % of the first output",
  mSlopeHeadMUp: (slantM: string, head: string) => `${slantM} slope, head ${head} up`,
  highOfWhatIsOwed: (field: number, field2: number, field3: string) => `${field}°, ${field2}° high: ${field3} % of what is expected`,
});
