export {
  DAY_MS,
  DAYS_PER_YEAR,
  degToRad,
  HOUR_MS,
  HOURS_PER_YEAR,
  hoursOfStep,
  kwhFromMeanW,
  MAD_TO_DEVIATION,
  MINUTE_MS,
  radToDeg,
  STC_POA_WM2,
  YEAR_MS,
} from "./units";
