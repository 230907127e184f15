export { BATTERY_KINDS, type BatteryKind } from "../site";
export { ageingSpeed, lifeFrac } from "./battery-life";
export { type GearGround, type GearYear, gearGround, gearYear, type HeatLimit } from "./gear-year";
export { type GearHours, gearTempC } from "./heat";
export { AIRINGS, type Airing, COLOURS, type Colour, GEAR_PLACES, type GearPlace, type GearStanding } from "./standing";
