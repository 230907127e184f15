export { type Ephemeris, ephemeris } from "./ephemeris";
export { extraterrestrialWm2, pressurePa, relativeAirMass, SOLAR_CONSTANT_WM2 } from "./extraterrestrial";
export { fillSun, runSun, type SunColumns } from "./fill-sun";
export { type GeocentricSun, geocentricSun } from "./geocentric";
export { type Observer, refractionDeg, type SunPosition, type SunVector, sunPosition } from "./local";
export { type SunOver, type SunStretch, sunHeights, sunOver, sunWhole } from "./sun-over";
