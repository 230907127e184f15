export { DAY_MS, degToRad, HOUR_MS, hoursOfStep, kwhFromMeanW, MINUTE_MS, radToDeg, STC_POA_WM2, YEAR_MS } from "./units";
