export { dayLengthHours, noonElevationDeg, type SunDirection, sunAtSolarTime } from "./day";
export { cooperDeclinationDeg, equationOfTimeMinutes, spencerDeclinationDeg } from "./declination";
export { type RowSpacing, type Rows, rowSpacing, shadowOf } from "./shadow";
