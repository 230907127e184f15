export {
  compassPoint,
  equatorAzimuthDeg,
  fromEquatorDeg,
  fromVerticalDeg,
  noonInFront,
  riseOfTilt,
  tiltOfPhone,
  tiltOfPlumb,
  tiltOfRise,
} from "./angles";
export { type Declination, magneticDeclination, magneticOfTrueDeg, trueOfMagneticDeg } from "./compass";
export { dayLengthHours, noonElevationDeg, type SunDirection, sunAtSolarTime } from "./day";
export {
  cooperDeclinationDeg,
  equationOfTimeMinutes,
  SOLSTICE_DECLINATION_DEG,
  spencerDeclinationDeg,
  winterSolsticeDeg,
} from "./declination";
export { legLengthM } from "./rack";
export { type RowSpacing, type Rows, rowSpacing, shadowOf } from "./shadow";
export { type SlidSnow, slidSnow } from "./snow-gap";
export { type ArcPoint, monthDates, solarMidnightUtcMs, sunArc, YEAR_BANDS, yearBand } from "./sun-path";
